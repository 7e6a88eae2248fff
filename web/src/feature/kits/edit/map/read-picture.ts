/** A picture file as an address that can be shown, and its size. */
export interface ReadPicture {
  address: string;
  widthPx: number;
  heightPx: number;
}

/** Taken for a picture that does not say its size, such as a drawing without one. */
const ASSUMED = { widthPx: 1000, heightPx: 700 };

/**
 * Reads a picture. It is shown as a picture only: a script inside an SVG does not run there.
 * Rejects when the file cannot be shown.
 */
export const readPictureFile = (file: Blob): Promise<ReadPicture> =>
  new Promise((settle, reject) => {
    const reader = new FileReader();
    reader.onerror = () => reject(reader.error);
    reader.onload = () => {
      const address = String(reader.result);
      const image = new Image();
      image.onload = () =>
        settle({
          address,
          widthPx: image.naturalWidth || ASSUMED.widthPx,
          heightPx: image.naturalHeight || ASSUMED.heightPx,
        });
      image.onerror = () => reject(new Error('not a picture'));
      image.src = address;
    };
    reader.readAsDataURL(file);
  });

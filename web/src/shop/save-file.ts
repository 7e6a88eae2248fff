/** Hands a file to the person, under a name. */
export function saveFile(name: string, type: string, content: BlobPart): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

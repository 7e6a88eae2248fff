import 'fake-indexeddb/auto';
// biome-ignore lint/correctness/noNodejsModules: these run under Node, which has what its page lacks
import { TextDecoder, TextEncoder } from 'node:util';

/** What the screens ask of a browser and a page without one lacks. Sizes are nil: how things look is for the browser tests. */
Object.assign(globalThis, {
  TextEncoder,
  TextDecoder,
  structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)),
});

class NoObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
Object.assign(globalThis, { ResizeObserver: NoObserver, IntersectionObserver: NoObserver });
window.matchMedia = (media) =>
  ({ matches: false, media, addEventListener: () => undefined, removeEventListener: () => undefined }) as never;
Element.prototype.scrollIntoView = () => undefined;
Element.prototype.hasPointerCapture = () => false;
Element.prototype.setPointerCapture = () => undefined;
Element.prototype.releasePointerCapture = () => undefined;
Blob.prototype.text = function (this: Blob) {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error);
    reader.readAsText(this);
  });
};
// The pure functions of the two are there; only what draws on them is not.
URL.createObjectURL = () => 'blob:nothing';
URL.revokeObjectURL = () => undefined;

/** Gives bytes to the person as a file. */
export function download(name: string, mediaType: string, bytes: Uint8Array): void {
  const url = URL.createObjectURL(new Blob([bytes as Uint8Array<ArrayBuffer>], { type: mediaType }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The download has its own hold on the bytes once it has begun.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

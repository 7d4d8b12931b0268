/** Hands a file to the person through the browser's own saving. */
export function saveFile(bytes: Uint8Array, name: string): void {
  const url = URL.createObjectURL(new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/octet-stream' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name.replace(/[\\/:*?"<>|\u0000-\u001f]/g, ' ').trim();
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

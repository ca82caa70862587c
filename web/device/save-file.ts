/** A file in the browser’s own downloads. */
export function saveFile(name: string, type: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // Some browsers begin to read it only after this.
  setTimeout(() => URL.revokeObjectURL(address), 1000);
}

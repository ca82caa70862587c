/** A file in the browser’s own downloads. */
export function saveFile(name: string, type: string, content: BlobPart): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // Some browsers begin to read it only after this.
  setTimeout(() => URL.revokeObjectURL(address), 1000);
}

/** A name as part of a file’s name: letters and digits of any script, joined by dashes. */
export function nameOfFile(name: string): string {
  const plain = name
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, '-')
    .replaceAll(/^-+|-+$/g, '');
  return plain === '' ? 'bow' : plain;
}

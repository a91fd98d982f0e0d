/** How long a file stays at its address: a browser may be slow to fetch it. Milliseconds. */
const KEPT_FOR = 60_000;

/** Hands a file to the one at the screen, under a name. */
export function saveFile(file: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), KEPT_FOR);
}

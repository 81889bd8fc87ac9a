/** Lets the browser save what was made here as a file. */
export function saveFile(name: string, content: string | ArrayBuffer, type: string) {
  const url = URL.createObjectURL(new Blob([content], { type }));
  Object.assign(document.createElement("a"), { href: url, download: name }).click();
  URL.revokeObjectURL(url);
}

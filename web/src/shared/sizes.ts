/** So many bytes, as people say it. */
export function kilobytes(bytes: number): string {
  return bytes < 1024 * 1024
    ? `${String(Math.max(1, Math.round(bytes / 1024)))} KB`
    : `${(bytes / 1048576).toFixed(1)} MB`;
}

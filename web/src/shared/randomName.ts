/** A name that nobody else has drawn; also where the page is not served securely. */
export function randomName(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) => byte.toString(36).padStart(2, '0')).join('');
}

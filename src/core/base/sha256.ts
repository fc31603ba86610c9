/** SHA-256 of bytes in lower-case hexadecimal. */
export async function sha256(bytes: Uint8Array): Promise<string> {
  // A view of its own: the platform takes no bytes that threads share.
  const digest = await crypto.subtle.digest('SHA-256', new Uint8Array(bytes));
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

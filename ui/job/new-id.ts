/** A client-made id; works on plain http too, where `crypto.randomUUID` is not offered. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(15))
  return Array.from(bytes, byte => byte.toString(16).padStart(2, '0')).join('')
}

import canonicalize from 'canonicalize';

/** The text a passport is signed over: its canonical form (RFC 8785), the same whoever has written the file anew. */
export function signedText(passport: unknown): string {
  const text = canonicalize(passport);
  if (text === undefined) throw new RangeError('nothing to sign');
  return text;
}

/** Signatures of passports: Ed25519 (RFC 8032), its public key as SubjectPublicKeyInfo (RFC 8410) in base64url. */
import { ed25519 } from '@noble/curves/ed25519';
import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';
import { type PassportFile, signedText } from '#formats/passport';

/** What stands before the 32 bytes of a key of this kind. */
const KEY_HEAD = Uint8Array.of(0x30, 0x2a, 0x30, 0x05, 0x06, 0x03, 0x2b, 0x65, 0x70, 0x03, 0x21, 0x00);
const KEY_BYTES = 32;

/** A fingerprint is so many groups of two bytes: short enough to be read aloud, too long to be tried out. */
const GROUPS = 5;

/**
 * Whether a passport is as the holder of its key signed it. A key outside the group of prime order is refused: to one of
 * small order any text can be signed.
 * @param passport as it came, before any reading has filled in what it left out
 */
export function isSignedBy(passport: unknown, { key, value }: PassportFile['signature']): boolean {
  try {
    const own = keyBytes(key);
    const point = ed25519.Point.fromBytes(own);
    if (point.isSmallOrder() || !point.isTorsionFree()) return false;
    const text = new TextEncoder().encode(signedText(passport));
    return ed25519.verify(fromBase64Url(value), text, own, { zip215: false });
  } catch {
    return false;
  }
}

/** A key in brief, to be compared by two people who read it to each other: `3f2a 91bc …`. Of any text: it need be no key. */
export function fingerprintOf(key: string): string {
  const hex = bytesToHex(sha256(new TextEncoder().encode(key)));
  return Array.from({ length: GROUPS }, (_, nth) => hex.slice(4 * nth, 4 * nth + 4)).join(' ');
}

/** @throws RangeError for what is no Ed25519 key */
function keyBytes(key: string): Uint8Array {
  const whole = fromBase64Url(key);
  const isKey = whole.length === KEY_HEAD.length + KEY_BYTES && KEY_HEAD.every((byte, nth) => whole[nth] === byte);
  if (!isKey) throw new RangeError('no Ed25519 key');
  return whole.slice(KEY_HEAD.length);
}

function fromBase64Url(text: string): Uint8Array {
  const plain = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
  return Uint8Array.from(plain, (char) => char.charCodeAt(0));
}

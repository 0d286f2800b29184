/** `npm run --silent passport -- FILE [--out FILE]`: reads a passport and says whether it is as it was signed, without any server. */
import { createPublicKey, verify } from 'node:crypto';
import { passportFileSchema, signedText } from '#formats/passport';
import { read } from '#formats/values';
import { fileCommand } from './files';

const USAGE = 'usage: npm run --silent passport -- PASSPORT.json [--out SAID.json]';

process.exitCode = await fileCommand(process.argv.slice(2), USAGE, (value) => {
  const { passport, signature } = read(value, passportFileSchema);
  const holds = (() => {
    try {
      const key = createPublicKey({ key: Buffer.from(signature.key, 'base64url'), type: 'spki', format: 'der' });
      // As it came: what reading fills in was not signed.
      const text = signedText((value as { readonly passport: unknown }).passport);
      return verify(null, Buffer.from(text), key, Buffer.from(signature.value, 'base64url'));
    } catch {
      return false;
    }
  })();
  return {
    holds,
    shop: passport.shop,
    issuedAt: passport.issuedAt,
    item: passport.item.name,
    visits: passport.visits.length,
    panels: passport.panels.map(({ name, layers, found }) => ({
      name,
      layers: layers.map(({ product, endAt }) => ({ product, laidAt: endAt })),
      found,
    })),
  };
});

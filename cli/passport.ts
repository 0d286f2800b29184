/** `npm run --silent passport -- FILE [--out FILE]`: reads a passport and says whether it is as it was signed, without any server. */
import { passportFileSchema } from '#formats/passport';
import { fingerprintOf, isSignedBy } from '#formats/signature';
import { read } from '#formats/values';
import { fileCommand } from './files';

const USAGE = 'usage: npm run --silent passport -- PASSPORT.json [--out SAID.json]';

process.exitCode = await fileCommand(process.argv.slice(2), USAGE, (value) => {
  const { passport, signature } = read(value, passportFileSchema);
  return {
    // As it came: what reading fills in was not signed.
    holds: isSignedBy((value as { readonly passport: unknown }).passport, signature),
    fingerprint: fingerprintOf(signature.key),
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

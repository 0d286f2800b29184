/** `front-door-left` and `a` make `front-door-a-left`: the side stays last, so that twins are still found. */
export function partId(id: string, key: string): string {
  const side = /-(left|right)$/.exec(id)?.[0] ?? '';
  return `${id.slice(0, id.length - side.length)}-${key}${side}`;
}

/** The panel a piece was split off: `bonnet-a` and `bonnet-b` are of `bonnet`. */
export const wholeOf = (id: string) => id.replace(/-[a-h](?=-(left|right)$|$)/, '');

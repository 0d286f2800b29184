import type { Surface } from '#formats/job';

/** What waited for a surface waits for what became of it: its pieces, the panel it is part of now, or nothing. */
export function followersOf(
  surfaces: readonly Surface[],
  gone: readonly string[],
  become: readonly string[],
): Surface[] {
  return surfaces.map((surface) => {
    const { id, follows } = surface;
    if (!follows?.some((other) => gone.includes(other))) return surface;
    const now = follows.flatMap((other) => (gone.includes(other) ? become : [other]));
    return { ...surface, follows: [...new Set(now)].filter((other) => other !== id) };
  });
}

/** Whether a surface waits for another, by way of what it follows. */
export function waitsFor(surfaces: readonly Surface[], id: string, other: string): boolean {
  const follows = new Map(surfaces.map((surface) => [surface.id, surface.follows ?? []]));
  const seen = new Set([id]);
  for (const each of seen) for (const next of follows.get(each) ?? []) seen.add(next);
  return id !== other && seen.has(other);
}

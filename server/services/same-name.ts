/** A name as it is compared: however it is spaced, written and in whatever case. */
export const sameName = (name: string): string => name.normalize('NFKC').trim().replaceAll(/\s+/g, ' ').toLowerCase();

/** Tape measurements a template may ask for, mm, in the order they are asked. */
export const DIMENSION_IDS = ['lengthMm', 'widthMm', 'heightMm', 'wheelbaseMm', 'spanMm'] as const;
export type Dimension = (typeof DIMENSION_IDS)[number];

/** The measurements of one item; those its template does not ask for are left out. */
export type Sizes = { readonly [D in Dimension]?: number | undefined };

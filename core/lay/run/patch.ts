/** One section of one coat on one copy of a surface: the smallest thing that is laid in one go. */
export interface Patch {
  readonly surface: string;
  /** Index of the layer on the surface, from 0; coat, copy and section count from 1. */
  readonly layer: number;
  readonly coat: number;
  readonly copy: number;
  readonly section: number;
}

/** What is known of a patch when its laying starts; the log keeps it, whatever becomes of the plan. */
export interface PatchStart {
  readonly product: string;
  /** Sections one copy of this coat is worked in. */
  readonly sections: number;
  readonly areaM2: number;
  readonly amount: number;
  readonly surfaceC?: number | undefined;
  /** Of the bottle it is laid from; absent: nobody said. */
  readonly batch?: string | undefined;
}

export function patchKey({ surface, layer, coat, copy, section }: Patch): string {
  return [surface, layer, coat, copy, section].join('/');
}

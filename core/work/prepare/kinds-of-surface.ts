import type { SubstrateId } from '#core/item/substrates';

export const NOT_WASHED: readonly SubstrateId[] = ['fabric', 'leather', 'interior-plastic'];

export const GLASS: readonly SubstrateId[] = ['glass', 'windscreen'];

export const TRIM: readonly SubstrateId[] = ['textured-plastic', 'rubber'];

export const NEEDS_TAPE: readonly SubstrateId[] = [...TRIM, 'lens-plastic', 'vinyl'];

export { FAMILIES, FAMILY_IDS, type FamilyId } from './families';

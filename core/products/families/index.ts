export { FAMILIES, FAMILY_IDS, type FamilyId, FOUND_IDS, foundName, type FoundId } from './families';

export { FAMILIES, FAMILY_IDS, type FamilyId, FOUND_IDS, foundName, topComesOffAlone, type FoundId } from './families';

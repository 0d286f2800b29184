export { EXPLOSIVE_ALARM, releasesOf, type RoomVapour, roomVapour } from './vapour';

export { WORKSHOP_FORMAT, type WorkshopFile, workshopFileSchema, workshopSenseFaults } from './workshop-file';

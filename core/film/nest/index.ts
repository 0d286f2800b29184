export { nest, type NestCase } from './nest';

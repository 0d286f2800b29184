export { NEST_FORMAT, NESTED_FORMAT, nestCase, nestedSchema, nestSchema, readNest } from './nest';

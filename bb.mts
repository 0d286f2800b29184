import { benchBay } from './bench/bay';
await benchBay();

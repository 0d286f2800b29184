import { manyYears } from './bench/workshop';
const { close } = await manyYears('/tmp/many.sqlite', { now: new Date().toISOString(), jobs: 1310 }); close();

import { linkSuppliers, readScenario } from '@/demo';
import { supplierServer } from '@/instruments/standIns/supplierServer';

/** Plays the suppliers of the demo, and points a demo database to them. */
const [port, file] = process.argv.slice(2);
if (port === undefined || file === undefined) throw new Error('usage: playSuppliers PORT FILE');
const server = supplierServer(readScenario().suppliers);
server.listen(Number(port), '127.0.0.1', () => {
  void linkSuppliers(file, `http://127.0.0.1:${port}`);
});

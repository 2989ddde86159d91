/** The simulated permit office, a process of its own, on PERMIT_OFFICE_PORT; see `openapi.ts`. */
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import dayjs from 'dayjs';
import { DEMO_DAY, DEMO_PROPERTIES } from '../demo/properties';
import { permitOffice, type SimulatedPermit } from './office';

const root = fileURLToPath(new URL('../..', import.meta.url));
/** Any that is free, where none is given; whoever started it is told which. */
const port = Number(process.env.PERMIT_OFFICE_PORT ?? 0);
const days = dayjs().startOf('day').diff(dayjs(DEMO_DAY), 'day');
const until = (n: number) =>
  dayjs(DEMO_DAY)
    .add(days + n, 'day')
    .format('YYYY-MM-DD');

const FIRM = { contractor: 'Tillane Electric', license: 'WT-E-0093' };
/** The permits of the demo's houses, and three that nobody has inspected yet. */
const permits: SimulatedPermit[] = [
  ...DEMO_PROPERTIES.filter(({ header }) => header.permit !== '').map(({ header }, i) => ({
    number: header.permit,
    address: header.address,
    owner: header.owner,
    ...FIRM,
    until: until(20 + 30 * i),
    status: 'Open',
  })),
  {
    number: 'WT-26-0440',
    address: '7 Windfall Lane',
    owner: 'Teodor Applegarth',
    ...FIRM,
    until: until(150),
    status: 'Open',
  },
  { number: 'WT-26-0441', address: '19 Pippin Row', owner: 'Marit O’Shaughn', contractor: '', license: '', until: until(90), status: 'Open, the owner does the work' }, // prettier-ignore
  {
    number: 'WT-25-0102',
    address: '23 Russet Hill',
    owner: 'Ezra Quillfeather',
    ...FIRM,
    until: until(-12),
    status: 'Run out',
  },
];

const server = permitOffice(
  permits,
  process.env.PERMIT_OFFICE_FILE ?? join(root, '.data', 'permit-office.json'),
).listen(port, '127.0.0.1', () => process.send?.({ port: (server.address() as AddressInfo).port }));
for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.on(signal, () => {
    server.closeAllConnections();
    server.close(() => process.exit(0));
  });

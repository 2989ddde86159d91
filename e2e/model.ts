import { Office } from './server';

/** Loads the demo once, before all tests: the office of each worker begins as a copy of this one. */
export default async function loadDemo(): Promise<() => Promise<void>> {
  const office = await Office.open(true);
  await office.stop();
  const { database, folder } = office;
  process.env.E2E_MODEL = JSON.stringify({ database, folder });
  return () => office.close();
}

export const modelOffice = () => JSON.parse(process.env.E2E_MODEL!) as Pick<Office, 'database' | 'folder'>;

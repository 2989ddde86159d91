/** npm run docs: writes what is published from the code itself. */
import { writeFileSync } from 'node:fs';
import { caseJsonSchema } from '@careful-latch/core/formats';

writeFileSync(new URL('../docs/case.schema.json', import.meta.url), `${JSON.stringify(caseJsonSchema(), null, 2)}\n`);

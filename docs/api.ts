/** `npm run api`: writes docs/api.md. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { apiPage } from './apiPage.ts';

writeFileSync(join(process.env.ZINC_ROOT!, 'docs', 'api.md'), apiPage());

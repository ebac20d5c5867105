/** `npm run schemas`: writes the JSON Schemas (2020-12) of the files that people write, from the schemas that read them. */
import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { BatchFileSchema } from '@tureen/core/formats';
import { DaySchema } from '@tureen/core/board';
import { KitShape } from '@tureen/core/kit';
import { LarderFileSchema } from '@tureen/core/larder';
import { SoupShape } from '@tureen/core/soup';

const FILES = [
  { name: 'soup', title: 'A soup of Tidy Tureen', schema: SoupShape },
  { name: 'day', title: 'A day: soups, times, people', schema: DaySchema },
  { name: 'kit', title: 'A kitchen’s kit', schema: KitShape },
  { name: 'larder', title: 'Larder rows, what ships or a cook’s own', schema: LarderFileSchema },
  { name: 'batch', title: 'A batch with all that it was computed from', schema: BatchFileSchema },
] as const;

for (const { name, title, schema } of FILES) {
  const json = { title, ...z.toJSONSchema(schema, { io: 'input', target: 'draft-2020-12' }) };
  writeFileSync(new URL(`../../docs/${name}.schema.json`, import.meta.url), `${JSON.stringify(json, undefined, 2)}\n`);
}

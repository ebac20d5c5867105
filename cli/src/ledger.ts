import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { asCooked } from '@tureen/core/batch';
import { BatchFileSchema, type BatchFile } from '@tureen/core/formats';
import { evidenceOfBatch, learnUnlessOdd, reconcile, ODD_SD, type BatchEvidence } from '@tureen/core/learn';
import {
  deviceWords,
  learnedNames,
  learnedWords,
  namer,
  oddsWords,
  stepName,
  suspectWords,
  tellApartWords,
} from '@tureen/core/messages';
import { rerun } from '@tureen/core/plan';
import { walk } from '@tureen/core/soup';
import { load, loadLarder, type Loaded } from './files.js';
import type { Given } from './options.js';
import { Misused, good, wrong, type CommandResult } from './result.js';
import { table } from './table.js';

function loadBatch(file: string): Loaded<BatchFile> {
  return load(file, BatchFileSchema);
}

/** Lays what was read in a batch beside what was entered, and names what would explain the difference. */
export function reconciled(from: Given): CommandResult {
  const file = from.positionals[1];
  if (file === undefined) throw new Misused('reconcile wants a batch: reconcile BATCH.json');
  const read = loadBatch(file);
  if (!read.ok) return read.result;
  const larder = loadLarder(from.values.larder);
  if (!larder.ok) return larder.result;
  const { snapshot, entries, soupName } = read.value;
  const found = reconcile(rerun(snapshot), entries, larder.value);
  if (found === undefined) return wrong(`${soupName}: nothing was weighed, dipped, read or counted.`, { code: 'NOTHING_READ' });
  const nameOf = namer(snapshot.soup, snapshot.rows);
  const steps = new Map(walk(snapshot.soup.root).map(({ step }) => [step.id, stepName(step, nameOf)]));
  const around = {
    nameOf,
    stepName: (id: string) => steps.get(id) ?? id,
    units: snapshot.kit.units,
    measureM3: (name: string) => snapshot.kit.ladles.find((one) => one.name === name)?.volumeM3,
  };
  const suspected = found.suspected.map(({ suspects, odds }) => ({
    odds,
    words: suspects.map((suspect) => suspectWords(suspect, around)).join(', and '),
    suspects,
  }));
  const lines = [
    soupName,
    table(
      [
        ['read', 'at', 'it said', 'fits best', 'off, sd'],
        ...found.readings.map(({ device, stepId, read: said, adjusted, sds }) => [
          deviceWords(device),
          around.stepName(stepId),
          said.toPrecision(4),
          adjusted.toPrecision(4),
          sds.toFixed(1),
        ]),
      ],
      [2, 3, 4],
    ),
    suspected.length === 0
      ? found.sds > ODD_SD
        ? 'Readings and entries do not agree, and nothing single explains it.'
        : 'Readings and entries agree.'
      : [
          ...suspected.map(({ words, odds }) => `- ${words}: ${oddsWords(odds)}`),
          tellApartWords(suspected.flatMap(({ suspects }) => suspects)),
        ].join('\n'),
  ];
  return good(lines.join('\n\n'), { soupName, sds: found.sds, readings: found.readings, suspected });
}

/** What the batches of a folder teach of their kitchen. */
export function learned(from: Given): CommandResult {
  const folder = from.positionals[1];
  if (folder === undefined) throw new Misused('learn wants a folder of batches: learn DIR');
  let files: string[];
  try {
    files = readdirSync(folder).filter((name) => name.endsWith('.json'));
  } catch {
    return wrong(`${folder} is not there or is no folder.`, { folder });
  }
  const batches: { readonly file: BatchFile; readonly evidence: BatchEvidence | undefined }[] = [];
  for (const name of files.sort()) {
    const read = loadBatch(join(folder, name));
    if (!read.ok) return read.result;
    const { id, snapshot, entries, startedAtMs } = read.value;
    const evidence = evidenceOfBatch(asCooked(rerun(snapshot), entries));
    batches.push({
      file: read.value,
      evidence: evidence === undefined ? undefined : { ...evidence, batchId: id, atMs: startedAtMs },
    });
  }
  const evidence = batches.flatMap((one) => one.evidence ?? []);
  if (evidence.length === 0) return wrong(`No batch in ${folder} has anything read in it.`, { code: 'NOTHING_READ' });
  const { learning, waiting } = learnUnlessOdd(evidence);
  const odd = [...waiting];
  const newest = [...batches].sort((a, b) => b.file.startedAtMs - a.file.startedAtMs)[0]?.file;
  const names = learnedNames(
    [...new Map(batches.flatMap(({ file }) => file.snapshot.rows.map((row) => [row.id, row] as const))).values()],
    newest?.snapshot.kit,
    batches.map(({ file }) => ({ id: file.snapshot.soup.id, name: file.soupName })),
  );
  const priors = new Map(evidence.flatMap(({ keys, priorSd }) => keys.map((key, n) => [key, priorSd[n] ?? 0] as const)));
  const rows = learning.figures.map((figure) => {
    const { name, here, usual, narrow } = learnedWords(figure, priors.get(figure.key) ?? figure.sd, names);
    return [name, here, usual, narrow, String(figure.batches)];
  });
  const oddNames = batches.filter(({ file }) => odd.includes(file.id)).map(({ file }) => `${file.soupName} (${file.id})`);
  const text = [
    table([['figure', 'here', 'default', 'spread', 'batches'], ...rows], [1, 2, 3, 4]),
    ...(oddNames.length === 0 ? [] : [`Unlike the others, and left out: ${oddNames.join(', ')}. Reconcile says why.`]),
  ].join('\n\n');
  return good(text, { figures: learning.figures, together: learning.together, odd });
}

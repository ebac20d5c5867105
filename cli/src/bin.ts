import { tureen } from './main.js';

const outcome = await tureen(process.argv.slice(2));
const text = outcome.json ? JSON.stringify(outcome.data, undefined, 2) : outcome.text;
(outcome.exit === 0 ? process.stdout : process.stderr).write(`${text}\n`);
process.exitCode = outcome.exit;

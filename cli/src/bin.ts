import { tureen } from './main.js';

const result = await tureen(process.argv.slice(2));
const text = result.json ? JSON.stringify(result.data, undefined, 2) : result.text;
(result.exit === 0 ? process.stdout : process.stderr).write(`${text}\n`);
process.exitCode = result.exit;

import type { ChangeNotice } from '../batch/index.js';

const WORDS: Readonly<Record<ChangeNotice['code'], string>> = {
  UNKNOWN_LINE: 'of nothing that this batch knows, not counted',
  IN_ALREADY: 'it was in already, so it stays in',
  PARTLY_IN: 'what was in by then stays what it was',
  STILL_ADDED: 'what it was brought in by was taken back; this was added and counts',
};

/** What became of a change that could not be made as it stands, to be put behind its entry. */
export function noticeWords({ code }: Pick<ChangeNotice, 'code'>): string {
  return WORDS[code];
}

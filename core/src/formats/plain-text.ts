import { decode } from 'html-entities';

/** Tags whose content is not for reading. */
const SILENT = /<(script|style)\b[\s\S]*?(?:<\/\1\s*>|$)/gi;

/**
 * Words without their markup: tags gone, entities read, blanks together. What looks like a tag after that stays a word;
 * it is only ever shown as text.
 *
 * @example plainText('<b>1&frac12; cups</b>&nbsp;onion') // '1½ cups onion'
 */
export function plainText(marked: string): string {
  const bare = marked.replace(SILENT, ' ').replace(/<\/?[a-z][^<>]*>/gi, ' ');
  return decode(bare)
    .replace(/[\s\u00a0]+/g, ' ')
    .trim();
}

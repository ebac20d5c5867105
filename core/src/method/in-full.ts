/** "w/ butter", "thru a sieve", "2 tbs of the oil": what kitchens cut short, in full. */
export function inFull(text: string): string {
  return (
    text
      .replace(/\bw\/o\b ?/gi, 'without ')
      .replace(/\bw\/ ?(?=\S)/gi, 'with ')
      .replace(/\b(?:thru|thro)\b/gi, 'through')
      .replace(/\bgrnd\b/gi, 'ground')
      // "Add the carrots, another 10."
      .replace(/, (another|a further) (\d{1,2})$/i, ', $1 $2 minutes')
      .replace(
        /([\d½¼¾⅓⅔] ?|\b(?:a|an|one|two|three|four|other|remaining|last) )(?:tbls?|tblsp|tbs|Tbs|T)\b\.?(?=[ ,;)]|$)/g,
        '$1tbsp',
      )
      .replace(
        /((?<![\d.])\d{1,2} ?|[½¼¾⅓⅔] ?|\d\/\d ?)c\b\.?(?= (?:of|the|hot|warm|stock|broth|water|milk|cream|soup|wine)\b)/g,
        '$1cup',
      )
  );
}

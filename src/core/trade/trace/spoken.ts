const ONES = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
];
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

/** Numbers that a keyboard wrote as words, since they were said to it, as digits: "twenty three" as 23, "oh seven" as 07. */
export function readSpoken(text: string): string {
  const words = text.split(/(?<=\p{L})[\s-]+(?=\p{L})/u);
  const read: string[] = [];
  let last: 'tens' | 'digit' | 'word' = 'word';
  for (const word of words) {
    const plain = word.toLowerCase();
    const one = plain === 'oh' ? 0 : ONES.indexOf(plain);
    const ten = TENS.indexOf(plain, 2);
    const before = read.at(-1) ?? '';
    if (ten > 0) {
      read.push(String(ten * 10));
      last = 'tens';
    } else if (one > 0 && one < 10 && last === 'tens') {
      read[read.length - 1] = String(Number(before) + one);
      last = 'word';
    } else if (one >= 0 && one < 10 && last === 'digit') read[read.length - 1] = before + one;
    else if (one >= 0) {
      read.push(String(one));
      last = one < 10 ? 'digit' : 'word';
    } else {
      read.push(word);
      last = 'word';
    }
  }
  return read.join(' ');
}

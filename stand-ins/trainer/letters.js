/** The game's own letters, three pixels wide and five high: a row is an octal digit, its bits the pixels from the left. */
const LETTERS = {
  ...{ A: '25755', B: '65656', C: '34443', D: '65556', E: '74647', F: '74644', G: '34553', H: '55755', I: '72227', J: '11152' },
  ...{ K: '55655', L: '44447', M: '57755', N: '65555', O: '25552', P: '65644', Q: '25563', R: '65655', S: '34216', T: '72222' },
  ...{ U: '55557', V: '55552', W: '55775', X: '55255', Y: '55222', Z: '71247', '-': '00700', '.': '00002' },
  ...{ 0: '75557', 1: '26227', 2: '61247', 3: '61216', 4: '55711', 5: '74616', 6: '34757', 7: '71222', 8: '75757', 9: '75716' },
};

/** Paints words in one colour, without smoothing. @returns how wide they are */
export function write(context, words, x, y, colour) {
  context.fillStyle = colour;
  [...words.toUpperCase()].forEach((letter, at) => {
    [...(LETTERS[letter] ?? '00000')].forEach((row, down) => {
      for (let bit = 0; bit < 3; bit++) if (Number(row) & (4 >> bit)) context.fillRect(x + at * 4 + bit, y + down, 1, 1);
    });
  });
  return words.length * 4 - 1;
}

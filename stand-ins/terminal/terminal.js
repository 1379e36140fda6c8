import { get, perTheme, show } from '../delivery.js';
import { Terminal } from '../terminal-emulator.js';

/** The sixteen in the order of their numbers (ECMA-48, select graphic rendition), as the emulator calls them. */
const SIXTEEN = ['black', 'red', 'green', 'yellow', 'blue', 'magenta', 'cyan', 'white'];
const NUMBERED = [...SIXTEEN, ...SIXTEEN.map((name) => `bright${name[0].toUpperCase()}${name.slice(1)}`)];
const TOKENS = [...SIXTEEN, ...SIXTEEN.map((name) => `bright-${name}`)].map((name) => `terminal.${name}`);

/** A screen of a terminal, in characters. */
const COLUMNS = 76;
const ROWS = 25;

/** Reads each theme's resources line by line, as `xrdb` does: `*.name: value`, and `!` for a remark. */
async function prepare() {
  const own = await perTheme('x-resources', '.xresources');
  if (own.length === 0) throw new Error('this release has no terminal colours');
  const schemes = {};
  for (const { identifier, path } of own) {
    const text = await (await get(path)).text();
    schemes[identifier] = Object.fromEntries(
      text.split('\n').flatMap((line) => {
        const found = /^\s*[*\w.]*[.*](\w+)\s*:\s*(\S+)\s*$/.exec(line.startsWith('!') ? '' : line);
        return found ? [[found[1], found[2]]] : [];
      }),
    );
  }
  return schemes;
}

// The emulator stops drawing while it is scrolled out of sight, where it can tell; a screen that is read back is drawn always.
delete window.IntersectionObserver;

const paint = (codes, text) => `\x1b[${codes}m${text}\x1b[0m`;
const bar = (bright) => SIXTEEN.map((_, at) => paint(`${(bright ? 100 : 40) + at}`, '       ')).join(' ');
const COMMANDS = {
  tides: () => [
    paint('36', 'Tides at the quay, metres above chart datum'),
    `  04:12  ${paint('34', 'low ')}  0.6   ${paint('94', '▂▂')}`,
    `  10:31  ${paint('96', 'high')}  4.8   ${paint('94', '▂▃▄▅▆▇')}`,
    `  16:40  ${paint('34', 'low ')}  0.9   ${paint('94', '▂▂▃')}`,
  ],
  berths: () => [
    paint('33', 'Berth  Vessel            State'),
    `  1    Mill Quay ferry    ${paint('32', 'moored')}`,
    `  2    Kelp Strand ferry  ${paint('93', 'loading')}`,
    `  3    –                  ${paint('90', 'free')}`,
    `  4    Outer Bank ferry   ${paint('31', 'late 12 min')}`,
  ],
  colours: () => [
    bar(false),
    bar(true),
    NUMBERED.slice(0, 8)
      .map((name, at) => paint(`${30 + at}`, name.padEnd(7)))
      .join(' '),
    NUMBERED.slice(8)
      .map((name, at) => paint(`${90 + at}`, name.slice(6).toLowerCase().padEnd(7)))
      .join(' '),
  ],
  help: () => [`tides, berths, colours, release, clear; ${paint('95', 'nothing leaves this office')}`],
};

let terminal;

async function draw(schemes, theme, release) {
  const scheme = schemes[theme];
  if (!scheme) throw new Error(`there are no terminal colours for the theme ${theme}`);
  const colours = {
    background: scheme.background,
    foreground: scheme.foreground,
    cursor: scheme.cursorColor,
    ...Object.fromEntries(NUMBERED.map((name, at) => [name, scheme[`color${at}`]])),
  };
  document.body.style.background = scheme.background;
  if (!terminal) open(release);
  // What is written is taken in bit by bit.
  await new Promise((resolve) => terminal.write('', resolve));
  const drawn = new Promise((resolve) => {
    const once = terminal.onRender(() => {
      once.dispose();
      resolve();
    });
  });
  terminal.options.theme = colours;
  terminal.refresh(0, ROWS - 1);
  await drawn;
  return [
    ...TOKENS.map((token, at) => ({ token, element: document.querySelector(`.xterm-fg-${at}`), property: 'color' })),
    { token: 'terminal.ground', element: document.querySelector('.xterm-scrollable-element'), property: 'background-color' },
    { token: 'terminal.text', element: document.querySelector('.xterm-rows'), property: 'color' },
  ].filter(({ element }) => element);
}

function open(release) {
  const commands = { ...COMMANDS, release: () => [`colours of release ${release}`] };
  // As large as the window lets it be: a character of a monospaced face is six tenths of its height wide.
  const fontSize = Math.max(10, Math.floor(Math.min((innerWidth - 30) / COLUMNS / 0.602, (innerHeight - 24) / ROWS / 1.2)));
  terminal = new Terminal({ cols: COLUMNS, rows: ROWS, fontSize, fontFamily: 'monospace', cursorBlink: false, scrollback: 200 });
  terminal.open(document.body);
  const say = (lines) => lines.forEach((line) => terminal.writeln(line));
  const ask = () => terminal.write(`${paint('32', 'office')}${paint('90', ':')}${paint('94', '~')}${paint('97', '$')} `);
  say([`Harbour office, colours of ${paint('37', `release ${release}`)}`, '']);
  for (const command of ['colours', 'berths', 'tides']) {
    ask();
    terminal.writeln(command);
    say([...commands[command](), '']);
  }
  ask();
  let line = '';
  terminal.onData((typed) => {
    if (typed === '\r') {
      terminal.writeln('');
      const command = line.trim();
      line = '';
      if (command === 'clear') terminal.clear();
      else if (Object.hasOwn(commands, command)) say(commands[command]());
      else if (command !== '') say([paint('91', `${command.slice(0, 40)}: not known here; try help`)]);
      ask();
    } else if (typed === '\x7f') {
      if (line !== '') terminal.write('\b \b');
      line = line.slice(0, -1);
    } else if (/^[ -~]+$/.test(typed) && line.length + typed.length < 50) {
      line += typed;
      terminal.write(typed);
    }
  });
}

show(prepare, draw);

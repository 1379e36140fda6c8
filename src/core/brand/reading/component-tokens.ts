import { wordsOf } from '../../base/words';
import { pageOf } from './elevation';
import { stateRule, tintRule, type StateRule, type Token } from '../document/token-shape';
import type { Brand } from '../document/document';
import { groundsByName, groundsOf } from './grounds';
import { statesOf } from './states-of';

/** A token at rest with its states, and the text that is set on it. */
export interface Dress {
  readonly rest: Token;
  readonly states: Readonly<Partial<Record<StateRule['state'], Token>>>;
  readonly text: Token | undefined;
}

/** Which tokens the parts of an interface are coloured with, told from their roles, paths and states. What nobody named is undefined. */
export interface ComponentTokens {
  readonly page: Token | undefined;
  readonly panel: Token | undefined;
  readonly header: Token | undefined;
  readonly text: Token | undefined;
  readonly soft: Token | undefined;
  readonly link: Token | undefined;
  readonly onHeader: Token | undefined;
  readonly border: Token | undefined;
  /** About fields. */
  readonly strong: Token | undefined;
  /** About what has the keyboard. */
  readonly focus: Token | undefined;
  readonly buttons: readonly Dress[];
  readonly field: Dress | undefined;
  readonly tab: Dress | undefined;
  readonly row: Dress | undefined;
  readonly statuses: readonly Token[];
}

const known = new WeakMap<readonly Token[], ComponentTokens>();

/** What has states and is pressed is none of these; a border with a focus is a border. */
const NO_BUTTONS: readonly Token['role'][] = ['text', 'border', 'data'];

/** Words as design systems use them (common practice). */
const WORDS = {
  field: ['field', 'input'],
  tab: ['tab', 'tabs'],
  row: ['row', 'item', 'list'],
  header: ['header', 'bar', 'nav', 'navigation', 'toolbar'],
  panel: ['panel', 'card', 'raised'],
  soft: ['soft', 'muted', 'secondary', 'subtle', 'quiet', 'caption', 'label'],
  link: ['link'],
  strong: ['strong', 'field', 'input'],
  focus: ['focus', 'ring'],
} as const;

export function componentTokens(brand: Brand): ComponentTokens {
  let found = known.get(brand.tokens);
  if (!found) known.set(brand.tokens, (found = pick(brand)));
  return found;
}

function pick(brand: Brand): ComponentTokens {
  const byRole = (role: Token['role']) => brand.tokens.filter((token) => token.role === role);
  const surfaces = byRole('surface').filter((token) => !tintRule(token));
  const borders = byRole('border');
  const texts = byRole('text');
  const page = pageOf(brand) ?? surfaces[0];
  const header = surfaces.find(saying('header'));
  const panel = surfaces.find(saying('panel')) ?? surfaces.find((token) => token !== page && token !== header);
  const on = (ground: Token | undefined) => texts.filter((text) => ground && groundsOf(brand, text).includes(ground));
  const onPage = on(page).filter((text) => !saying('link')(text));
  const sets = dresses(brand, texts);
  const of = (word: keyof typeof WORDS) => sets.find(({ rest }) => saying(word)(rest));
  const [field, tab, row] = [of('field'), of('tab'), of('row')];
  const plain = onPage.filter((text) => !saying('soft')(text));
  const text = plain[0] ?? onPage[0];
  const border = borders.find((token) => !saying('strong')(token) && !saying('focus')(token)) ?? borders[0];
  return {
    page,
    panel,
    header,
    text,
    soft: onPage.find((each) => each !== text && saying('soft')(each)),
    link: texts.find(saying('link')),
    onHeader: texts.find((each) => header && namedGrounds(brand, each).includes(header)) ?? on(header)[0],
    border,
    strong: borders.find(saying('strong')) ?? border,
    focus: borders.find(saying('focus')),
    buttons: sets.filter((set) => set !== field && set !== tab && set !== row && !NO_BUTTONS.includes(set.rest.role)),
    field,
    tab,
    row,
    statuses: byRole('status'),
  };
}

function saying(word: keyof typeof WORDS): (token: Token) => boolean {
  const words: readonly string[] = WORDS[word];
  return ({ path }) => path.split('.').some((step) => wordsOf(step).some((part) => words.includes(part)));
}

/** What a text is set on by its own word or its name, and not for want of any other. */
function namedGrounds(brand: Brand, text: Token): readonly Token[] {
  return text.on.length > 0 ? groundsOf(brand, text) : (groundsByName(brand, text) ?? []);
}

/** Every token with states, in the order of the brand. */
function dresses(brand: Brand, texts: readonly Token[]): Dress[] {
  const sets = new Map<Token, Partial<Record<StateRule['state'], Token>>>();
  for (const { token, state, rest } of statesOf(brand)) sets.set(rest, { ...sets.get(rest), [state]: token });
  const on = new Map<Token, Token>();
  for (const text of texts) {
    for (const ground of namedGrounds(brand, text)) if (!on.has(ground)) on.set(ground, text);
  }
  const byId = new Map(texts.map((text) => [text.id, text]));
  return [...sets].map(([rest, states]) => {
    const [ruled] = Object.values(states).flatMap((token) => byId.get(stateRule(token)?.text ?? '') ?? []);
    return { rest, states, text: ruled ?? on.get(rest) };
  });
}

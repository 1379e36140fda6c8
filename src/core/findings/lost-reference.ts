import { finding, type Rule } from './finding';

/** What other tools keep in the brand and points at something that is not there. */
export const lostReference: Rule = {
  id: 'lost-reference',
  title: 'References that lead nowhere',
  looksAt: ['tokens', 'carried'],
  find({ tokens, carried }) {
    const known = new Set([...tokens.map(({ path }) => path), ...carried.map(({ path }) => path.join('.'))]);
    return carried.flatMap(({ path, json }) =>
      [...json.matchAll(/"\{([^{}"]+)\}"/g)].flatMap(([, target]) =>
        known.has(target!)
          ? []
          : [
              finding(
                'lost-reference',
                'warning',
                `${path.join('.')}, which is not a colour, points at ${target}, which is not there.`,
              ),
            ],
      ),
    );
  },
};

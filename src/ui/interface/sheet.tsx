import { Tabs } from '@chakra-ui/react';
import { memo, useId, type CSSProperties } from 'react';
import { componentTokens } from '@/core/brand/reading/component-tokens';
import { TOKEN_STATES, type Token } from '@/core/brand/document/token-shape';
import type { Brand } from '@/core/brand/document/document';
import type { TintGroup, Tints } from '@/core/brand/tools/tint-tokens';
import { asItIs, partOf, sheetColours, type See } from './colours';
import { GroupedList } from './grouped-list';
import css from './sheet.module.css';

interface SheetProps {
  brand: Brand;
  /** Id of the theme. */
  theme: string;
  /** How colours are seen; as they are, when not given. */
  see?: See;
  /** The items of the long list. */
  group?: TintGroup | undefined;
  tints?: Tints | null;
}

/** The last step of a path that says what it is, as a word to press: `action.confirm.rest` is Confirm. */
function wordFor({ path }: Token): string {
  const steps = path.split('.').filter((step) => !['rest', 'default', 'base'].includes(step));
  const word = (steps.at(-1) ?? path).replace(/[-_]/g, ' ');
  return word.charAt(0).toUpperCase() + word.slice(1);
}

/**
 * An interface in a theme: real buttons, fields, tabs, a table, messages, navigation and a long list, which answer to the pointer and to the
 * keyboard with the states that the brand gives them.
 */
export const Sheet = memo(function Sheet({ brand, theme, see = asItIs, group, tints = null }: SheetProps) {
  const id = useId();
  const tokens = componentTokens(brand);
  const { css: hex, ink, dress } = sheetColours(brand, theme, see);
  const { page, panel, header, text, soft, link, onHeader, border, strong, focus, buttons, field, tab, row, statuses } = tokens;
  const vars = {
    '--page': hex(page),
    '--panel': hex(panel ?? page),
    '--text': ink(text, page),
    '--soft': hex(soft) ?? ink(text, page),
    '--border': hex(border) ?? ink(text, page),
    '--strong': hex(strong) ?? ink(text, page),
    '--ring': hex(focus) ?? ink(text, page),
    accentColor: hex((buttons.find(({ rest }) => rest.role === 'accent') ?? buttons[0])?.rest),
  } as CSSProperties;
  const shownButtons = buttons.slice(0, 3);
  return (
    <div className={css.sheet} data-sample data-sheet style={vars}>
      <nav
        className={css.nav}
        aria-label="Navigation"
        style={{ background: hex(header ?? panel), color: ink(onHeader, header ?? panel) }}
        data-rest={header?.id}
        data-text={onHeader?.id}
      >
        {['Overview', 'Plan', 'Reports'].map((word, at) => (
          <a
            key={word}
            href={`#${word.toLowerCase()}`}
            aria-current={at === 0 ? 'page' : undefined}
            onClick={(e) => e.preventDefault()}
          >
            {word}
          </a>
        ))}
      </nav>
      <div className={css.parts}>
        <div className={css.column}>
          <section className={css.panel} aria-label="Text and buttons" data-rest={(panel ?? page)?.id} data-text={text?.id}>
            <p className={css.heading}>A heading</p>
            <p>
              A line of running text with{' '}
              <a href="#link" style={{ color: hex(link) }} data-rest={link?.id} onClick={(event) => event.preventDefault()}>
                a link
              </a>
              .
            </p>
            {soft && (
              <p className={css.soft} data-rest={soft.id}>
                A caption, said more softly
              </p>
            )}
            {shownButtons.map((set) => (
              <div key={set.rest.id} className={css.buttons} style={dress(set)}>
                <button type="button" {...partOf(set)}>
                  {wordFor(set.rest)}
                </button>
                <button type="button" disabled {...partOf(set)}>
                  {wordFor(set.rest)}
                </button>
                <span className={css.states} aria-hidden>
                  {TOKEN_STATES.map((state) => (
                    <i key={state} data-state={state} title={set.states[state]?.path ?? `${set.rest.path} has no state ${state}`}>
                      {state}
                    </i>
                  ))}
                </span>
              </div>
            ))}
          </section>
          <section className={css.panel} aria-label="Tabs and a table" data-rest={(panel ?? page)?.id} data-text={text?.id}>
            <Tabs.Root defaultValue="today" variant="plain" unstyled>
              <Tabs.List className={css.tabs} style={dress(tab)} aria-label="Days">
                {['today', 'week', 'later', 'never'].map((value) => (
                  <Tabs.Trigger key={value} value={value} disabled={value === 'never'} className={css.tab} {...partOf(tab)}>
                    {value.charAt(0).toUpperCase() + value.slice(1)}
                  </Tabs.Trigger>
                ))}
              </Tabs.List>
              {['today', 'week', 'later'].map((value) => (
                <Tabs.Content key={value} value={value} className={css.table} style={dress(row)}>
                  <table>
                    <thead>
                      <tr>
                        <td />
                        <th>Item</th>
                        <th>State</th>
                        <th>Count</th>
                      </tr>
                    </thead>
                    <tbody>
                      {['First', 'Second', 'Third', 'Fourth'].map((word, at) => (
                        <tr key={word} {...partOf(row)}>
                          <td>
                            <input type="checkbox" aria-label={`Choose ${word}`} defaultChecked={at === 1} />
                          </td>
                          <td>{word}</td>
                          <td>{['open', 'waiting', 'open', 'closed'][at]}</td>
                          <td>{[12, 7, 128, 0][at]}</td>
                        </tr>
                      ))}
                    </tbody>
                  </table>
                </Tabs.Content>
              ))}
            </Tabs.Root>
          </section>
        </div>
        <div className={css.column}>
          <section
            className={css.panel}
            aria-label="Fields"
            style={dress(field)}
            data-rest={(panel ?? page)?.id}
            data-text={text?.id}
          >
            <label>
              Name
              <input defaultValue="What is typed" {...partOf(field)} />
            </label>
            <label>
              Kind
              <select {...partOf(field)}>
                <option>First</option>
                <option>Second</option>
              </select>
            </label>
            <label>
              Not now
              <input disabled value="Cannot be changed" readOnly {...partOf(field)} />
            </label>
            <div className={css.checks}>
              <label>
                <input type="checkbox" defaultChecked {...partOf(buttons[0])} /> On
              </label>
              <label>
                <input type="radio" name={`${id}-one`} defaultChecked {...partOf(buttons[0])} /> One
              </label>
              <label>
                <input type="radio" name={`${id}-one`} {...partOf(buttons[0])} /> Other
              </label>
            </div>
          </section>
          {group && <GroupedList brand={brand} theme={theme} see={see} group={group} tints={tints} row={row} />}
          {statuses.length > 0 && (
            <section className={css.messages} aria-label="Messages">
              {statuses.slice(0, 4).map((status) => (
                <p key={status.id} style={{ borderColor: hex(status) }} data-rest={status.id}>
                  <i style={{ background: hex(status) }} />
                  {wordFor(status)}: a line to read
                </p>
              ))}
            </section>
          )}
        </div>
      </div>
    </div>
  );
});

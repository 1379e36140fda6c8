import { NativeSelect, Textarea } from '@chakra-ui/react';
import type { Step } from '@/core/brand/commands/commands';
import { TOKEN_ROLES, type Token } from '@/core/brand/document/token-shape';
import { groundsByName } from '@/core/brand/reading/grounds';
import { resolveTheme, tokensOf, trailOf } from '@/core/brand/reading/resolve';
import { renameTokens } from '@/core/brand/tools/rename-tokens';
import { inkOn } from '@/core/colour/contrast';
import { useBrand, useMayEdit } from '../store/brand-context';
import { CommitInput } from '../commit-input';
import { tell } from '../notices';
import { Copyable } from './copyable';
import { TokenField } from '../token-field/token-field';
import { History } from './history';
import { WhereUsed } from './uses';
import css from './readout.module.css';

type Edit = (label: string, set: Extract<Step, { do: 'token.edit' }>['set']) => boolean;

export function TokenReadout({ id }: { id: string }) {
  const { brand, run } = useBrand((state) => ({ brand: state.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const token = brand.tokens.find((token) => token.id === id);
  // The edit that is being tried takes it away.
  if (!token) return null;
  const edit: Edit = (label, set) => run({ label, steps: [{ do: 'token.edit', id, set }] });
  const inThemes = brand.themes.map((theme) => ({ theme, resolved: resolveTheme(brand, theme.id).get(id)! }));
  return (
    <>
      <div className={css.patches}>
        {inThemes.map(({ theme, resolved: { colour } }) => (
          <div key={theme.id} style={colour ? { background: colour.hex, color: inkOn(colour) } : {}}>
            {theme.name}
          </div>
        ))}
      </div>
      <h2>{token.path}</h2>
      <div className={css.fields}>
        <label>
          Path
          <CommitInput
            value={token.path}
            disabled={!mayEdit}
            onCommit={(path) => {
              const command = renameTokens(brand, new Map([[token.path, path]]), `Rename ${token.path} to ${path}`);
              if (!('refusal' in command)) return run(command);
              tell(command.refusal);
              return false;
            }}
            mono
          />
        </label>
        <label>
          Role
          <NativeSelect.Root size="xs" disabled={!mayEdit}>
            <NativeSelect.Field
              value={token.role}
              onChange={(event) => edit(`Give ${token.path} a role`, { role: event.target.value as Token['role'] })}
            >
              {TOKEN_ROLES.map((role) => (
                <option key={role}>{role}</option>
              ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
        <label>
          What it is for
          <Textarea
            key={token.description}
            size="xs"
            rows={2}
            defaultValue={token.description}
            disabled={!mayEdit}
            maxLength={2000}
            onBlur={({ target: { value } }) =>
              value !== token.description && edit(`Describe ${token.path}`, { description: value })
            }
          />
        </label>
        {token.role === 'text' && <SetOn token={token} onEdit={edit} />}
        <Deprecation token={token} onEdit={edit} />
      </div>
      {inThemes.map(({ theme, resolved }) => (
        <section key={theme.id}>
          <h3>In {theme.name}</h3>
          <ul className={css.rows}>
            <li>{resolved.colour ? <Copyable text={resolved.colour.hex} /> : 'No colour'}</li>
            {trailOf(resolved, theme.id)
              .slice(1)
              .map((stop) => (
                <li key={stop} className={css.about}>
                  → {stop}
                </li>
              ))}
          </ul>
        </section>
      ))}
      <WhereUsed target={{ token: id }} />
      <History entity={id} />
    </>
  );
}

/** What a text is set on: what it is measured against, and kept readable on. */
function SetOn({ token, onEdit }: { token: Token; onEdit: Edit }) {
  const tokens = useBrand((state) => tokensOf(state.replica.brand));
  const mayEdit = useMayEdit();
  const label = `Choose what ${token.path} is set on`;
  const named = useBrand((state) => groundsByName(state.replica.brand, token));
  const unsaid = named ? `${named.map(({ path }) => path).join(', ')}, by its name` : 'every surface';
  return (
    <div className={css.setOn} role="group" aria-label="Set on">
      Set on{token.on.length === 0 && ` ${unsaid}`}
      {token.on.map((id) => (
        <span key={id}>
          <code>{tokens.get(id)?.path}</code>
          <button
            aria-label={`Not on ${tokens.get(id)?.path}`}
            disabled={!mayEdit}
            onClick={() => onEdit(label, { on: token.on.filter((other) => other !== id) })}
          >
            ×
          </button>
        </span>
      ))}
      <TokenField
        label="Set on another"
        value={undefined}
        disabled={!mayEdit}
        onChoose={(id) => id !== undefined && !token.on.includes(id) && onEdit(label, { on: [...token.on, id] })}
      />
    </div>
  );
}

/** Whether a token is still to be used, and what else is when not. */
function Deprecation({ token, onEdit }: { token: Token; onEdit: Edit }) {
  const mayEdit = useMayEdit();
  const { deprecated } = token;
  const label = `Deprecate ${token.path}`;
  return (
    <div className={css.setOn} role="group" aria-label="Deprecated">
      <label>
        <input
          type="checkbox"
          checked={deprecated !== undefined}
          disabled={!mayEdit}
          onChange={({ target: { checked } }) =>
            onEdit(checked ? label : `Take ${token.path} up again`, { deprecated: checked ? { note: '' } : null })
          }
        />
        Deprecated
      </label>
      {deprecated && (
        <>
          <CommitInput
            label="Why it is deprecated"
            placeholder="Why"
            value={deprecated.note}
            disabled={!mayEdit}
            onCommit={(note) => onEdit(label, { deprecated: { ...deprecated, note } })}
          />
          <TokenField
            label="Use instead"
            none="nothing instead"
            value={deprecated.use}
            disabled={!mayEdit}
            onChoose={(use) => onEdit(label, { deprecated: { note: deprecated.note, ...(use !== undefined && { use }) } })}
          />
        </>
      )}
    </div>
  );
}

import { NativeSelect, Textarea } from '@chakra-ui/react';
import { TOKEN_ROLES, type Token } from '@/core/brand/document';
import { resolveTheme, tokensUsing, trailOf } from '@/core/brand/resolve';
import { inkOn } from '@/core/colour/contrast';
import { useBrand, useMayEdit } from '../brand-context';
import { CommitInput } from '../commit-input';
import { Copyable } from './copyable';
import { History } from './history';
import css from './readout.module.css';

export function TokenReadout({ id }: { id: string }) {
  const { brand, run, select } = useBrand((state) => ({ brand: state.brand, run: state.run, select: state.select }));
  const mayEdit = useMayEdit();
  const token = brand.tokens.find((one) => one.id === id);
  if (!token) return <p className={css.nothing}>This token is no longer there.</p>;
  const edit = (label: string, set: Partial<Omit<Token, 'id' | 'values'>>) =>
    run({ label, steps: [{ do: 'token.edit', id, set }] });
  const inThemes = brand.themes.map((theme) => ({ theme, resolved: resolveTheme(brand, theme.id).get(id)! }));
  const users = tokensUsing(brand.tokens, { token: id });
  const surfaces = brand.tokens.filter((one) => one.role === 'surface');
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
            onCommit={(path) => edit(`Rename ${token.path} to ${path}`, { path })}
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
        {token.role === 'text' && surfaces.length > 0 && (
          <fieldset className={css.surfaces} disabled={!mayEdit}>
            <legend>Set on (none ticked: every surface)</legend>
            {surfaces.map((surface) => (
              <label key={surface.id}>
                <input
                  type="checkbox"
                  checked={token.on.includes(surface.id)}
                  onChange={({ target: { checked } }) =>
                    edit(`Choose the surfaces of ${token.path}`, {
                      on: checked ? [...token.on, surface.id] : token.on.filter((one) => one !== surface.id),
                    })
                  }
                />
                <code>{surface.path}</code>
              </label>
            ))}
          </fieldset>
        )}
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
      {users.length > 0 && (
        <>
          <h3>Pointed at by</h3>
          <ul className={css.rows}>
            {users.slice(0, 12).map((user) => (
              <li key={user.id}>
                <button className={css.link} onClick={() => select({ token: user.id })}>
                  <code>{user.path}</code>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      <History entity={id} />
    </>
  );
}

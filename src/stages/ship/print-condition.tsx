import { NativeSelect } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Brand } from '@/core/brand/document/document';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { tell } from '@/ui/notices';
import { request } from '@/ui/asked/request';
import css from './ship.module.css';

/** Neither can be the name of a profile, which has no spaces at its ends. */
const [PLAIN, OWN] = [' plain', ' own'];

/** The printing condition by which CMYK is computed: of the system, of a file, or none. */
export function PrintCondition() {
  const { id, print, run } = useBrand((state) => ({ id: state.id, print: state.replica.brand.print, run: state.run }));
  const mayEdit = useMayEdit();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const { data } = useQuery({
    queryKey: ['print profiles', id],
    queryFn: () => request<{ system: readonly string[] }>(`/api/brands/${id}/print-profiles`),
    staleTime: Infinity,
  });
  const keep = async (query: string, body: Blob) => {
    setBusy(true);
    try {
      const kept = await request<NonNullable<Brand['print']>>(`/api/brands/${id}/print-profiles${query}`, 'POST', body);
      run({ label: `Print by ${kept.name}`, steps: [{ do: 'brand.edit', set: { print: kept } }] });
    } catch (error) {
      tell(error instanceof TypeError ? 'The server cannot be reached; no profile was taken.' : (error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const choose = (name: string) => {
    if (name === OWN) input.current!.click();
    else if (name === PLAIN) run({ label: 'Print without a profile', steps: [{ do: 'brand.edit', set: { print: null } }] });
    else if (name !== print?.name) void keep(`?system=${encodeURIComponent(name)}`, new Blob());
  };
  const offered = [...new Set([...(print ? [print.name] : []), ...(data?.system ?? [])])];
  return (
    <label className={css.condition}>
      Printing condition
      <NativeSelect.Root size="xs" disabled={!mayEdit || busy}>
        <NativeSelect.Field value={print?.name ?? PLAIN} onChange={({ target }) => choose(target.value)}>
          <option value={PLAIN}>none: CMYK is a hint</option>
          {offered.map((name) => (
            <option key={name}>{name}</option>
          ))}
          <option value={OWN}>an ICC profile of a file…</option>
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      <input
        ref={input}
        type="file"
        hidden
        aria-label="ICC profile"
        accept=".icc,.icm"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = '';
          if (file) void keep('', file);
        }}
      />
    </label>
  );
}

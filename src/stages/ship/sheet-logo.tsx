import { Button } from '@chakra-ui/react';
import { useRef } from 'react';
import { tidyName } from '@/core/intake/intake';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { tell } from '@/ui/notices';
import { request } from '@/ui/asked/request';
import css from './ship.module.css';

/** The logo at the head of the sheet. */
export function SheetLogo() {
  const { id, logo, run } = useBrand((state) => ({ id: state.id, logo: state.replica.brand.logo, run: state.run }));
  const mayEdit = useMayEdit();
  const input = useRef<HTMLInputElement>(null);
  const give = async (file: File) => {
    try {
      const { picture } = await request<{ picture: string }>(`/api/brands/${id}/logo`, 'POST', file);
      const set = { logo: { picture, name: tidyName(file.name) || 'Logo' } };
      run({ label: `Take ${set.logo.name} as logo`, steps: [{ do: 'brand.edit', set }] });
    } catch (error) {
      tell(error instanceof TypeError ? 'The server cannot be reached; no logo was taken.' : (error as Error).message);
    }
  };
  return (
    <div className={css.condition}>
      Logo
      {logo ? (
        <span>
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture behind a sign-in, at its own address for good */}
          <img src={`/api/brands/${id}/pictures/${logo.picture}`} alt={logo.name} />
          <Button
            size="2xs"
            variant="outline"
            disabled={!mayEdit}
            onClick={() => run({ label: 'Take the logo away', steps: [{ do: 'brand.edit', set: { logo: null } }] })}
          >
            Take away
          </Button>
        </span>
      ) : (
        <Button size="2xs" variant="outline" disabled={!mayEdit} onClick={() => input.current!.click()}>
          Choose a PNG or SVG…
        </Button>
      )}
      <input
        ref={input}
        type="file"
        hidden
        aria-label="Logo"
        accept=".png,.svg"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = '';
          if (file) void give(file);
        }}
      />
    </div>
  );
}

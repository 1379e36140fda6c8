import { useQuery } from '@tanstack/react-query';
import { inkText, inkWarnings, type Inks } from '@/core/colour/ink';
import { useBrand } from '../store/brand-context';
import { request } from '../asked/request';
import { Copyable } from './copyable';
import css from './readout.module.css';

/** How the brand's printing condition prints a colour; the server computes it, for it has the profile. */
export function InkRows({ hex }: { hex: string }) {
  const { id, print } = useBrand((state) => ({ id: state.id, print: state.replica.brand.print! }));
  const { data, error } = useQuery({
    queryKey: ['inks', id, print.profile, hex],
    queryFn: () => request<{ name: string; inks: Record<string, Inks> } | null>(`/api/brands/${id}/inks?of=${hex.slice(1)}`),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  const inks = data?.inks[hex];
  if (error && !inks)
    return (
      <li>
        <span className={css.key}>CMYK</span>
        <span>{error instanceof TypeError ? 'needs the server, which cannot be reached' : error.message}</span>
      </li>
    );
  return (
    <>
      <li title={`By the profile ${print.name}`}>
        <span className={css.key}>CMYK</span>
        {inks ? <Copyable text={inkText(inks)} /> : <span>being computed</span>}
      </li>
      {inks && (
        <li data-testid="print">
          <span className={css.key}>In print</span>
          <span>
            <i className={css.printed} style={{ background: inks.hex }} />
            {inks.total} % ink, ΔE {inks.distance.toFixed(1)}, by {print.name}
            {inkWarnings(inks).map((warning) => (
              <b key={warning}>{warning}</b>
            ))}
          </span>
        </li>
      )}
    </>
  );
}

import { useQuery } from '@tanstack/react-query';
import { memo } from 'react';
import { useBrand } from '../store/brand-context';
import { request } from '../asked/request';
import css from './readout.module.css';

interface Entry {
  seq: number;
  label: string;
  by: string;
  at: string;
}

/** Who changed an entity, newest first. Asked for again when a change has touched it. */
export const History = memo(function History({ entity }: { entity: string }) {
  const { id, touched } = useBrand((state) => ({ id: state.id, touched: state.touched.get(entity)?.at }));
  const { data, isError } = useQuery({
    queryKey: ['history', id, entity, touched],
    queryFn: () => request<{ history: Entry[] }>(`/api/brands/${id}/history?of=${entity}`),
    placeholderData: (earlier) => earlier,
  });
  const history = data?.history ?? [];
  return (
    <>
      <h3>History</h3>
      <ul className={css.rows} data-testid="history">
        {isError && <li>The history cannot be reached just now.</li>}
        {!isError && history.length === 0 && <li className={css.about}>As it came in</li>}
        {history.slice(0, 6).map(({ seq, label, by, at }) => (
          <li key={seq}>
            <span>
              <b>{by}</b> {label}
            </span>
            <small className={css.verdict}>
              {new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false })}
            </small>
          </li>
        ))}
      </ul>
    </>
  );
});

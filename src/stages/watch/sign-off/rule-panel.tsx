import { may } from '@/core/brand/roles';
import { SIGN_OFF_LIMITS, type ReleaseRule } from '@/core/release/sign-off';
import { useBrand } from '@/ui/store/brand-context';
import { Choice } from '@/ui/dial';
import { useSay } from '@/ui/asked/sign-offs';
import css from './sign-off.module.css';

const APPROVALS = Array.from({ length: SIGN_OFF_LIMITS.approvals + 1 }, (_, count) => (count === 0 ? 'none' : String(count)));

const MAKERS = [
  ['count', 'count'],
  ['owners', 'count for owners'],
  ['none', 'do not count'],
] as const satisfies readonly (readonly [ReleaseRule['byMakers'], string])[];

/** What a release of this brand wants: decided by its owners, told to everybody. */
export function RulePanel({ rule }: { rule: ReleaseRule }) {
  const mayGovern = useBrand((state) => may(state.role, 'govern'));
  const say = useSay();
  const make = (change: Partial<ReleaseRule>) => void say('rule', 'PATCH', { ...rule, ...change });
  return (
    <section className={css.rule} aria-label="What a release wants">
      <h3>What a release of this brand wants</h3>
      {mayGovern ? (
        <div>
          <Choice
            label="Approvals"
            options={APPROVALS}
            value={APPROVALS[rule.approvals]!}
            onChoose={(count) => make({ approvals: APPROVALS.indexOf(count) })}
          />
          <Choice
            label="Released by"
            options={['owners', 'owners and editors'] as const}
            value={rule.releasers}
            onChoose={(releasers) => make({ releasers })}
          />
          <Choice
            label="Approvals of whoever made some of the changes"
            options={MAKERS.map(([, word]) => word)}
            value={MAKERS.find(([by]) => by === rule.byMakers)![1]}
            onChoose={(word) => make({ byMakers: MAKERS.find((each) => each[1] === word)![0] })}
          />
          <Choice
            label="Errors that the last release did not have"
            options={['told', 'stop it'] as const}
            value={rule.newErrors === 'stop' ? 'stop it' : 'told'}
            onChoose={(word) => make({ newErrors: word === 'told' ? 'told' : 'stop' })}
          />
        </div>
      ) : (
        <p>
          {rule.approvals === 0 ? 'No approval' : rule.approvals === 1 ? 'One approval' : `${rule.approvals} approvals`}; it is
          made by {rule.releasers};{' '}
          {rule.approvals > 0 &&
            `approvals of whoever made some of the changes ${MAKERS.find(([by]) => by === rule.byMakers)![1]}; `}
          {rule.newErrors === 'stop'
            ? 'errors that the last release did not have stop it.'
            : 'errors that the last release did not have are told.'}{' '}
          Owners decide.
        </p>
      )}
    </section>
  );
}

import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { InkSelect } from '../../ui/fields/Field';
import { Note } from '../../ui/said/Note';
import { regionWord } from '../../format/needs';
import { useSite } from '../../api/site/site';
import { figuresOf } from './columns';
import { Choice, Figures, LedgerRow } from './LedgerTable';
import { outcomeWords } from './outcome';
import { featureWords } from '../../format/features';
import { plansSheet, useSheet } from './sheet';

/** The plan chosen and what it allows; set-up and data centre stand under it where they cost something. */
export function PlanRows() {
  const { page, books } = useSite();
  const { open } = useSheet();
  const { candidate, costing } = page.worksheet;
  const book = books.find((known) => known.id === candidate.hosting?.book);
  const plan = book?.plans.find((known) => known.id === candidate.hosting?.plan);
  const rows = costing?.ledger.rows ?? [];
  const setUp = figuresOf(rows, (row) => row.kind === 'setup');
  const centre = figuresOf(rows, (row) => row.kind === 'dataCentre');
  const step = costing?.priceStep;
  return (
    <tbody>
      <LedgerRow
        kind="Plan"
        band
        notes={
          <>
            {step && (
              <Note ink="red">
                <b>Price step on {shortDay(step.date)}:</b> the plan goes from {money(step.from, step.currency)} to{' '}
                {step.to === null ? 'a price that is not stated' : `${money(step.to, step.currency)} a month`}
                {book?.pricesIncludeTax === false && step.to !== null && ', before tax'}.
              </Note>
            )}
            {book?.isOld && (
              <Note ink="red">
                These prices were read on {shortDay(book.asOf)}, over 60 days ago: look at the seller’s own page before
                you order.
              </Note>
            )}
          </>
        }
      >
        <Choice>
          <>
            <Button look="text" onClick={() => open(plansSheet)}>
              {book && plan ? (
                <bdi>
                  {book.provider}, {plan.name}
                </bdi>
              ) : (
                'Choose a plan'
              )}
            </Button>
            {plan && <DataCentre />}
            {plan && (
              <span className="text-soft block text-[13px]">
                sites: {featureWords(plan.features['websites'])}, storage: {featureWords(plan.features['storageGB'])}
                {typeof plan.features['storageGB'] === 'number' && ' GB'}, mailboxes:{' '}
                {featureWords(plan.features['mailboxes'])}, certificate: {featureWords(plan.features['certificate'])}
              </span>
            )}
          </>
        </Choice>
        <Figures of={figuresOf(rows, (row) => row.kind === 'plan')} />
      </LedgerRow>
      {centre && (
        <LedgerRow band>
          <Choice>Data centre, surcharge</Choice>
          <Figures of={centre} />
        </LedgerRow>
      )}
      {setUp && (
        <LedgerRow band>
          <Choice>Setting it up, once</Choice>
          <Figures of={setUp} />
        </LedgerRow>
      )}
    </tbody>
  );
}

/** Where the site lies, where the seller lets the owner choose; each says what it would change. */
function DataCentre() {
  const { page, change } = useSite();
  const { letter, dataCentres } = page.worksheet;
  return dataCentres.length === 0 ? null : (
    <span className="ml-2">
      in{' '}
      <InkSelect
        label="Data centre"
        value={dataCentres.find((centre) => centre.isChosen)?.id ?? ''}
        onChange={(event) => change({ kind: 'choose-data-centre', letter, dataCentre: event.target.value || null })}
      >
        {dataCentres.map((centre) => (
          <option key={centre.id ?? ''} value={centre.id ?? ''}>
            {centre.name ? `${centre.name}${centre.region ? `, ${regionWord(centre.region)}` : ''}` : 'any data centre'}
            {!centre.isChosen && outcomeWords(centre.outcome, page.settings.horizonMonths)}
          </option>
        ))}
      </InkSelect>
    </span>
  );
}

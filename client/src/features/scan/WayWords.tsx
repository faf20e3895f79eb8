import { SellerNotes } from '../../ui/said/SellerNotes';
import type { Schemas } from '../../api/wire/client';
import type { ScanRow } from '../../api/site/scan';
import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { wayToPay } from '../../format/words';
import { useSite } from '../../api/site/site';

type Candidate = Schemas['CandidateWire'];

/** "Plainstone Servers, Lintel, every 12 months, .co.uk from Nameyarrow", for a sentence. */
export function useWayTitle() {
  const { books } = useSite();
  return ({ hosting, domains }: Candidate) => {
    const book = books.find((known) => known.id === hosting?.book);
    const plan = book?.plans.find((known) => known.id === hosting?.plan)?.name ?? '';
    const [domain] = domains;
    const seller = books.find((known) => known.id === domain?.book);
    return [
      book?.provider,
      plan,
      wayToPay(hosting?.everyMonths ?? 1, hosting?.commitMonths ?? hosting?.everyMonths ?? 1),
      seller && seller !== book && `.${domain?.ending} from ${seller.provider}`,
    ]
      .filter(Boolean)
      .join(', ');
  };
}

/** The same with the domain and its seller, the extras, the codes and the price step under it. */
export function WayWords({ row }: { row: ScanRow }) {
  const { books } = useSite();
  const { hosting, domains } = row.candidate;
  const book = books.find((known) => known.id === hosting?.book);
  const plan = book?.plans.find((known) => known.id === hosting?.plan)?.name;
  const [domain] = domains;
  const seller = books.find((known) => known.id === domain?.book);
  const centre = book?.dataCentres.find((known) => known.id === hosting?.dataCentre)?.name;
  const step = row.priceStep;
  const small = [
    domain?.name && `${domain.name}.${domain.ending}${seller ? ` from ${seller.provider}` : ''}`,
    centre && `data centre ${centre}`,
    [...extras(book, hosting?.addOns), ...extras(seller, domain?.addOns)].join(', '),
    [...(hosting?.codes ?? []), ...(domain?.codes ?? [])].map((code) => `code ${code}`).join(', '),
    step &&
      (step.to === null
        ? 'later price not stated'
        : `from ${shortDay(step.date)} ${money(step.to, step.currency)} a month instead of ${money(step.from, step.currency)}`),
  ].filter(Boolean);
  return (
    <>
      <bdi className="font-semibold">
        {book?.provider}, {plan}
      </bdi>
      , {wayToPay(hosting?.everyMonths ?? 1, hosting?.commitMonths ?? hosting?.everyMonths ?? 1)}
      <bdi className="text-soft block text-[13px]">{small.join('; ')}</bdi>
      <SellerNotes of={[hosting?.book, domain?.book]} />
      <Notes currencies={[book?.currency, seller?.currency]} isSplit={!!seller && seller !== book} />
    </>
  );
}

/** What an owner would want to know before taking a row: prices in another currency, and two sellers to connect. */
function Notes({ currencies, isSplit }: { currencies: readonly (string | undefined)[]; isSplit: boolean }) {
  const { page } = useSite();
  const foreign = [...new Set(currencies)].filter((code) => code && code !== page.settings.currency);
  return (
    <span className="text-soft block text-[13px]">
      {[
        foreign.length > 0 && `priced in ${foreign.join(' and ')}, converted at your rate`,
        isSplit && 'two sellers: you connect the name to the host yourself, about ten minutes',
      ]
        .filter(Boolean)
        .join('; ')}
    </span>
  );
}

function extras(
  book: Schemas['BookWire'] | undefined,
  taken: readonly Schemas['AddOnChoiceWire'][] | undefined,
): string[] {
  return (taken ?? []).map(({ id, quantity }) => {
    const name = book?.addOns.find((known) => known.id === id)?.name ?? id ?? '';
    return quantity > 1 ? `${quantity} × ${name}` : name;
  });
}

import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { advertisementQuery, type Draft } from '../../../api/books/fromPage';
import { useShelfChanges } from '../../../api/books/shelf';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { useSettled } from '../../../ui/useSettled';
import { AdvertisementFields } from './AdvertisementFields';
import {
  AdvertisementContext,
  draftField,
  emptyDraft,
  faultAt,
  forgetDraft,
  keepDraft,
  keptDraft,
  type Found,
} from './draft';
import { PastedWords } from './PastedWords';
import { HiddenCosts } from './HiddenCosts';
import { Announced } from '../../../ui/said/Announced';

/**
 * From a seller's page to a candidate: its ten facts typed in or read from its words, with what they come to beside
 * them.
 */
export function AdvertisementPage() {
  const { page, changes } = useSite();
  const { currency } = page.settings;
  const form = useForm<Draft>({ defaultValues: keptDraft(page.id, currency) });
  const [found, setFound] = useState<Found>({});
  const [isTried, setTried] = useState(false);
  const draft = useSettled(useWatch({ control: form.control }) as Draft, 250);
  const looked = useQuery(advertisementQuery(page.id, draft));
  const { take } = useShelfChanges();
  const navigate = useNavigate();
  useEffect(() => keepDraft(page.id, draft), [page.id, draft]);

  const faults = looked.data?.faults ?? [];
  const waiting = Object.keys(found).length;
  const settle = (field: string) =>
    setFound((before) => Object.fromEntries(Object.entries(before).filter(([known]) => known !== field)));
  const put = () => {
    setTried(true);
    const { book, candidate } = looked.data ?? {};
    if (!book || !candidate || waiting > 0 || looked.isPlaceholderData) {
      return;
    }

    take.mutate(book, {
      onSuccess: () => {
        forgetDraft(page.id);
        void changes.changeAsync({ kind: 'add-candidate', candidate }).then((after) =>
          navigate({
            to: '/sites/$siteId/worksheet',
            params: { siteId: page.id },
            search: { view: after.shortlist.at(-1)?.letter },
          }),
        );
      },
    });
  };

  return (
    <AdvertisementContext value={{ form, found, settle, faultOf: (field) => faultAt(faults, field, isTried) }}>
      <div className="py-5">
        <title>{`From an advertisement · ${page.name} · Home Start`}</title>
        <p className="text-sm">
          <Link to="/sites/$siteId/shelf" params={{ siteId: page.id }} search={{}} className="ink">
            Your price lists
          </Link>
        </p>
        <h1 className="text-2xl">From an advertisement</h1>
        <p className="text-soft max-w-3xl">
          Have the seller’s page beside you. Paste its words, or answer ten questions in the order such pages say it;
          what it does not say stays “not stated”.
        </p>
        <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
          <div>
            <PastedWords
              read={(findings) => {
                form.reset({ ...emptyDraft(''), ...(Object.fromEntries(findings.map(valueOf)) as Partial<Draft>) });
                setFound(Object.fromEntries(findings.map(({ field, words }) => [draftField(field), words])));
              }}
            />
            <form
              className="mt-5"
              onSubmit={(event) => {
                event.preventDefault();
                put();
              }}
            >
              <AdvertisementFields />
              <div className="mt-5 flex flex-col gap-2">
                {waiting > 0 && (
                  <p className="flex flex-wrap items-baseline gap-x-4">
                    <span>
                      {waiting === 1 ? 'One answer was' : `${waiting} answers were`} read from the words and{' '}
                      {waiting === 1 ? 'waits' : 'wait'} for your yes.
                    </span>
                    <Button look="text" onClick={() => setFound({})}>
                      I looked: all of them are right
                    </Button>
                  </p>
                )}
                {isTried && faults.length > 0 && (
                  <Announced className="text-red">
                    {faults.length === 1 ? 'One answer is' : `${faults.length} answers are`} missing or cannot be read:
                    look at the words in red.
                  </Announced>
                )}
                {take.error && <Announced className="text-red">{take.error.message}</Announced>}
                <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
                  <Button type="submit" look="main" disabled={waiting > 0 || take.isPending}>
                    Put it on the shelf and on the shortlist
                  </Button>
                  <Button
                    look="text"
                    onClick={() => {
                      form.reset(emptyDraft(currency));
                      setFound({});
                      setTried(false);
                    }}
                  >
                    Start afresh
                  </Button>
                  {looked.data?.addsTo && (
                    <span className="text-soft text-sm">
                      It joins your price list of <bdi>{looked.data.addsTo}</bdi>.
                    </span>
                  )}
                </div>
              </div>
            </form>
          </div>
          <HiddenCosts costs={looked.data?.costs ?? null} error={looked.error} />
        </div>
      </div>
    </AdvertisementContext>
  );
}

const valueOf = ({ field, value }: { field: Parameters<typeof draftField>[0]; value: string }) => [
  draftField(field),
  field === 'includes-domain' ? value === 'true' : value,
];

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import { useState } from 'react';
import { bookFileQuery, bookSchemaQuery, editedQuery, shelfQuery, useShelfChanges } from '../../../api/books/shelf';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { Failed, Waiting } from '../../../ui/said/Waiting';
import { Faults } from '../Faults';
import { Differences } from '../TakeIt';
import type { Edit, Json, Shape } from './document';
import { BookContext, Fields } from './Parts';
import { Announced } from '../../../ui/said/Announced';

/**
 * One's own price list, changed part by part; what each change does to the candidates stands beside it before anything
 * is kept.
 */
export function EditPage() {
  const { book } = useParams({ from: '/sites/$siteId/shelf/edit/$book' });
  const shelf = useQuery(shelfQuery);
  const file = useQuery(bookFileQuery(book));
  const schema = useQuery(bookSchemaQuery);
  const shelved = shelf.data?.find((known) => known.book.id === book);
  const error = shelf.error ?? file.error ?? schema.error;
  if (error) {
    return <Failed error={error} retry={() => void Promise.all([shelf.refetch(), file.refetch(), schema.refetch()])} />;
  }

  if (!shelf.data || file.data === undefined || !schema.data) {
    return <Waiting for="Opening the price list" />;
  }

  return shelved ? (
    <Edited
      key={`${book} ${shelved.versions.length}`}
      id={book}
      version={shelved.versions.length}
      provider={shelved.book.provider}
      file={JSON.parse(file.data) as Json}
      schema={schema.data}
    />
  ) : (
    <p className="p-6">There is no such price list on your shelf.</p>
  );
}

interface Opened {
  id: string;
  version: number;
  provider: string;
  file: Json;
  schema: Shape;
}

function Edited({ id, version, provider, file, schema }: Opened) {
  const { page } = useSite();
  const [steps, setSteps] = useState<Edit[][]>([]);
  const edited = useQuery({
    ...editedQuery(id, version, steps.flat()),
    enabled: steps.length > 0,
    placeholderData: keepPreviousData,
  });
  const { take } = useShelfChanges();
  const answer = steps.length > 0 ? edited.data : undefined;
  const document = answer?.text ? (JSON.parse(answer.text) as Json) : file;
  const faults = answer?.look.faults ?? [];
  const isBehind = steps.length > 0 && (edited.isPlaceholderData || edited.isPending);
  return (
    <BookContext
      value={{
        whole: schema,
        document,
        faultAt: (where) => faults.find((fault) => fault.where === where)?.message,
        isBehind,
        edit: (edits) => edits.length > 0 && setSteps((before) => [...before, edits]),
      }}
    >
      <div className="py-5">
        <title>{`${provider} · Shelf · ${page.name} · Home Start`}</title>
        <p className="text-sm">
          <Link to="/sites/$siteId/shelf" params={{ siteId: page.id }} search={{}} className="ink">
            Your price lists
          </Link>
        </p>
        <h1 className="text-2xl">
          Change the prices of <bdi>{provider}</bdi>
        </h1>
        <p className="text-soft max-w-3xl">
          Open the part you want. Nothing is kept until you say so, and the version before stays: you can go back to it.
        </p>
        <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
          <Fields shape={schema} path={[]} skip={['format', 'id']} />
          <aside aria-label="What your changes do" className="text-[14px] lg:sticky lg:top-4 lg:self-start">
            <h2 className="text-lg">What your changes do</h2>
            <div>
              {steps.length === 0 ? (
                <p className="text-soft mt-1">Nothing is changed yet.</p>
              ) : edited.error ? (
                <Announced className="text-red mt-1">{edited.error.message}</Announced>
              ) : isBehind ? (
                <p className="text-soft mt-1">Working it out …</p>
              ) : answer?.look.book ? (
                <Differences look={{ ...answer.look, book: answer.look.book }} />
              ) : (
                <div className="text-red">
                  <Faults faults={faults} document={document} />
                </div>
              )}
            </div>
            {take.error && <Announced className="text-red mt-2">{take.error.message}</Announced>}
            <div className="mt-3 flex flex-wrap items-baseline gap-x-5 gap-y-2">
              <Button
                look="main"
                disabled={!answer?.look.book || isBehind || take.isPending}
                onClick={() => take.mutate(answer!.text!, { onSuccess: () => setSteps([]) })}
              >
                Keep these prices
              </Button>
              {steps.length > 0 && (
                <Button look="text" onClick={() => setSteps(steps.slice(0, -1))}>
                  Undo the last change
                </Button>
              )}
            </div>
          </aside>
        </div>
      </div>
    </BookContext>
  );
}

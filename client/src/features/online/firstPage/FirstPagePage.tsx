import { useMutation } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useParams } from '@tanstack/react-router';
import { useEffect, useRef } from 'react';
import { useWatch } from 'react-hook-form';
import { api, expect, tokenHeader, Refused, type Schemas } from '../../../api/wire/client';
import { faultAt, faultElsewhere } from '../../../api/wire/faults';
import { useSentForm } from '../../../api/wire/sentForm';
import { usePanel } from '../../../api/wire/panel';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { SelectField, TextArea, TextField } from '../../../ui/fields/Field';
import { Awaited } from '../../../ui/said/Waiting';
import { Hours } from './Hours';
import { Announced } from '../../../ui/said/Announced';

type Page = Schemas['BusinessPageWire'];

const fields = ['name', 'about', 'street', 'town', 'telephone', 'pictureText', 'hours'];

/** A page in a minute: a few answers, seen as it will look, put up with one press. */
export function FirstPagePage() {
  const { orderId } = useParams({ from: '/sites/$siteId/online/$orderId' });
  const { page } = useSite();
  const path = { params: { path: { orderId } } };
  const panel = usePanel(keys.firstPage(orderId), async () =>
    expect(await api.GET('/api/orders/{orderId}/first-page', path)),
  );
  return (
    <>
      <title>{`First page · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">First page</h1>
      {panel.query.data ? (
        <Making orderId={orderId} now={panel.query.data} change={panel.change} />
      ) : (
        <Awaited query={panel.query} for="Looking at your site" />
      )}
    </>
  );
}

const blank = (name: string): Page => ({
  name,
  about: '',
  street: '',
  town: '',
  telephone: '',
  hours: [true, true, true, true, true, false, false].map((isOpen) => ({ isOpen, opens: '09:00', closes: '17:00' })),
  layout: 'column',
  picture: null,
  pictureText: '',
});

function Making({
  orderId,
  now,
  change,
}: {
  orderId: string;
  now: Schemas['FirstPageWire'];
  change: ReturnType<typeof usePanel<Schemas['FirstPageWire']>>['change'];
}) {
  const { page } = useSite();
  const { form, field } = useSentForm<{ page: Page; mayReplace: boolean }>(
    { page: now.page ?? blank(page.name), mayReplace: false },
    change.error,
  );
  const typed = useWatch({ control: form.control, name: 'page' });
  const picture = usePicture(orderId, (path) => form.setValue('page.picture', path));
  const send = form.handleSubmit((body) =>
    change.mutate(async () =>
      expect(await api.PUT('/api/orders/{orderId}/first-page', { params: { path: { orderId } }, body })),
    ),
  );
  return (
    <div className="mt-3 grid gap-x-12 gap-y-6 lg:grid-cols-[26rem_minmax(0,1fr)]">
      <form className="flex flex-col gap-3" noValidate onSubmit={(event) => void send(event)}>
        <TextField label="Name of your business" {...field('page.name')} />
        <TextArea
          label="What you do"
          hint="A few sentences. An empty line begins a new paragraph."
          rows={4}
          {...field('page.about')}
        />
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField label="Street" {...field('page.street')} />
          <TextField label="Town" {...field('page.town')} />
          <TextField label="Telephone" type="tel" {...field('page.telephone')} />
          <SelectField label="Layout" {...form.register('page.layout')}>
            <option value="column">One column</option>
            <option value="shopfront">Shopfront: picture across the top</option>
            <option value="spine">Spine: the name at the side</option>
          </SelectField>
        </div>
        <Hours
          hours={typed.hours}
          fault={faultAt(change.error, 'page.hours')}
          set={(hours) => form.setValue('page.hours', hours)}
        />
        <label className="flex flex-wrap items-baseline gap-x-2">
          <span className="font-semibold">A picture, if you like</span>
          <input
            type="file"
            accept="image/png,image/jpeg,image/gif,image/webp"
            className="text-blue max-w-full"
            onChange={(event) => event.target.files?.[0] && picture.mutate(event.target.files[0])}
          />
          {picture.isPending && <Announced as="span">Sending it …</Announced>}
          {picture.error && <span className="text-red text-sm">{picture.error.message}</span>}
        </label>
        {typed.picture && (
          <>
            <TextField
              label="What is to be seen on it"
              hint="For those who cannot see it."
              {...field('page.pictureText')}
            />
            <div>
              <Button look="text" onClick={() => form.setValue('page', { ...typed, picture: null, pictureText: '' })}>
                Leave the picture out
              </Button>
            </div>
          </>
        )}
        {now.isOccupied && (
          <label className="flex items-baseline gap-2">
            <input type="checkbox" className="accent-blue" {...form.register('mayReplace')} />
            <span>Your site has another front page. Replace it.</span>
          </label>
        )}
        {change.error && (
          <Announced className="text-red">
            {faultElsewhere(
              change.error,
              fields.map((field) => `page.${field}`),
            ) ?? 'Something is missing: see above.'}
          </Announced>
        )}
        <div className="flex flex-wrap items-center gap-4">
          <Button type="submit" look="main" disabled={change.isPending}>
            {now.page ? 'Put the changes up' : 'Put it up'}
          </Button>
          {change.isSuccess && <Announced as="span">It is up. Anybody led to your host sees it from now on.</Announced>}
        </div>
      </form>
      <Preview orderId={orderId} page={typed} />
    </div>
  );
}

function usePicture(orderId: string, done: (path: string) => void) {
  return useMutation({
    mutationFn: async (file: File) => {
      const answer = await fetch(`/api/orders/${orderId}/first-page/picture`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/octet-stream', ...tokenHeader() },
        body: file,
      });
      const told: unknown = await answer.json().catch(() => null);
      if (!answer.ok) {
        throw new Refused(answer.status, told);
      }

      return (told as Schemas['PictureWire']).path;
    },
    onSuccess: done,
  });
}

/** The page as it will look: it is made by the server and belongs to no origin, so that it can do nothing here. */
function Preview({ orderId, page }: { orderId: string; page: Page }) {
  const form = useRef<HTMLFormElement>(null);
  const json = JSON.stringify(page);
  useEffect(() => {
    const timer = setTimeout(() => form.current?.submit(), 500);
    return () => clearTimeout(timer);
  }, [json]);
  return (
    <div>
      <h2 className="text-lg">How it will look</h2>
      <form ref={form} method="post" target="preview" action={`/api/orders/${orderId}/first-page/preview.html`} hidden>
        <input type="hidden" name="page" value={json} />
      </form>
      <iframe
        name="preview"
        title="How your page will look"
        sandbox=""
        className="border-rule mt-1 h-[36rem] w-full border"
      />
    </div>
  );
}

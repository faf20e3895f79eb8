import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useForm } from 'react-hook-form';
import { useChangeForm } from '../../api/site/changeForm';
import { sessionQuery } from '../../api/wire/queries';
import { useStartSite } from '../../api/site/sites';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { useSite } from '../../api/site/site';

/** Renames the site, leads to another, starts one. */
export default function SiteMenuSheet({ close }: { close: () => void }) {
  const { page } = useSite();
  return (
    <div className="flex flex-col gap-4">
      <Rename key={page.name} close={close} />
      <OtherSites close={close} />
      <StartSite close={close} />
    </div>
  );
}

function Rename({ close }: { close: () => void }) {
  const { page } = useSite();
  const { field, submit } = useChangeForm({ name: page.name }, ({ name }) => ({ kind: 'rename-site', name }), close);
  return (
    <form onSubmit={submit} className="flex items-end gap-2">
      <TextField label="Name of this site" maxLength={80} required {...field('name')} />
      <Button type="submit">Rename</Button>
    </form>
  );
}

function OtherSites({ close }: { close: () => void }) {
  const { page } = useSite();
  const others = useQuery(sessionQuery).data?.sites.filter((site) => site.id !== page.id) ?? [];
  return others.length === 0 ? null : (
    <div>
      <h2 className="text-sm">Your other sites</h2>
      <ul>
        {others.map((site) => (
          <li key={site.id}>
            <Link
              to="/sites/$siteId/worksheet"
              params={{ siteId: site.id }}
              search={{}}
              onClick={close}
              className="ink"
            >
              <bdi>{site.name}</bdi>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}

function StartSite({ close }: { close: () => void }) {
  const form = useForm({ defaultValues: { name: '' } });
  const navigate = useNavigate();
  const start = useStartSite();
  const submit = form.handleSubmit(async ({ name }) => {
    try {
      const page = await start.mutateAsync(name);
      close();
      await navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: {} });
    } catch (error) {
      form.setError('name', { message: (error as Error).message });
    }
  });
  return (
    <form onSubmit={(event) => void submit(event)} className="border-rule flex items-end gap-2 border-t pt-3">
      <TextField
        label="Start another site"
        placeholder="Its name"
        maxLength={80}
        {...form.register('name')}
        fault={form.formState.errors.name?.message}
      />
      <Button type="submit">Start</Button>
      <Link to="/start" onClick={close} className="ink self-center text-sm">
        All sites
      </Link>
    </form>
  );
}

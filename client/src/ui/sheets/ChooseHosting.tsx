import { useQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { namesHadQuery } from '../../api/names/ownDomain';
import { useSite } from '../../api/site/site';
import { Button } from '../Button';

/** A name without hosting: nothing is seen at it yet, and one press leads to the plans with the name kept. */
export function ChooseHosting({ domain }: { domain: string }) {
  const { page, changes } = useSite();
  const navigate = useNavigate();
  const { letter } = page.worksheet;
  const had = useQuery(namesHadQuery).data?.find((known) => known.domain === domain);
  const choose = async () => {
    if (had) {
      await changes.changeAsync({ kind: 'choose-domain', letter, domain: { ...had.choice } });
    }

    await navigate({
      to: '/sites/$siteId/worksheet',
      params: { siteId: page.id },
      search: { view: letter, sheet: 'plans' },
    });
  };
  return (
    <>
      <bdi>{domain}</bdi> is yours, but there is no hosting for it yet: nothing is seen at it, and no mail arrives.{' '}
      <Button look="text" className="no-print" onClick={() => void choose()}>
        Choose hosting for it
      </Button>
    </>
  );
}

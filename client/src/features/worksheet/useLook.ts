import { useNavigate } from '@tanstack/react-router';
import { useSite } from '../../api/site/site';

/** Takes another candidate in hand. */
export function useLook() {
  const { page } = useSite();
  const navigate = useNavigate();
  return (view: string | undefined) =>
    navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: { view } });
}

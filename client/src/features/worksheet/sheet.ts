import { useNavigate, useSearch } from '@tanstack/react-router';

const worksheet = '/sites/$siteId/worksheet';

/** Which sheet lies over the worksheet: kept in the address, so that a link leads to it and going back closes it. */
export function useSheet(): { sheet: string | undefined; open: (sheet: string) => void; close: () => void } {
  const { sheet } = useSearch({ from: worksheet });
  const navigate = useNavigate({ from: worksheet });
  return {
    sheet,
    open: (wanted) => void navigate({ search: (search) => ({ ...search, sheet: wanted }), resetScroll: false }),
    close: () =>
      void navigate({ search: (search) => ({ ...search, sheet: undefined }), resetScroll: false, replace: true }),
  };
}

/** The sheet with every plan. */
export const plansSheet = 'plans';

import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { accountQuery } from '../../api/account';

/** The way to the account, or to sign in. */
export function AccountLink() {
  const account = useQuery(accountQuery).data;
  return (
    <Link to="/account" className="ink text-sm">
      {account?.mail ? 'Account' : 'Sign in'}
    </Link>
  );
}

import { Link } from '@tanstack/react-router';

/** The product's name, which leads to the start page. */
export function Logo() {
  return (
    <Link to="/start" className="font-display text-lg font-bold tracking-tight" aria-label="Home Start: start page">
      Home<span className="text-blue">/</span>Start
    </Link>
  );
}

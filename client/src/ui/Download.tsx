/** A file to take away, as an item of a list. */
export function Download({ href, children }: { href: string; children: string }) {
  return (
    <li>
      <a href={href} download className="ink">
        {children}
      </a>
    </li>
  );
}

import { useState } from 'react';
import { Button } from '../Button';

/** Day or night ledger; what is chosen here is kept in this browser. */
export function ThemeSwitch() {
  const [theme, setTheme] = useState(document.documentElement.dataset.theme ?? 'light');
  const other = theme === 'dark' ? 'light' : 'dark';
  const change = () => {
    document.documentElement.dataset.theme = other;
    try {
      localStorage.setItem('home-start-theme', other);
    } catch {
      // Storage may be switched off: then it holds until the page is closed.
    }

    setTheme(other);
  };
  return (
    <Button look="text" onClick={change} className="text-sm">
      {other === 'dark' ? 'Night' : 'Day'}
      <span className="sr-only"> colours</span>
    </Button>
  );
}

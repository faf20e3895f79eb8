// Before anything is painted, so that the night ledger does not flash white.
(function () {
  var chosen = null;
  try {
    chosen = localStorage.getItem('home-start-theme');
  } catch {
    // Storage may be switched off: then the system decides.
  }
  var dark = chosen ? chosen === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = dark ? 'dark' : 'light';
})();

const browsers = [
  ['Edg/', 'Edge'],
  ['OPR/', 'Opera'],
  ['Firefox/', 'Firefox'],
  ['Chrome/', 'Chrome or the like'],
  ['Safari/', 'Safari'],
] as const;

const systems = [
  ['Android', 'Android'],
  ['iPhone', 'an iPhone'],
  ['iPad', 'an iPad'],
  ['Windows', 'Windows'],
  ['Mac OS', 'a Mac'],
  ['Linux', 'Linux'],
] as const;

/** What a browser says it is, in words; as it stands where nobody knows it. */
export function deviceWords(said: string): string {
  const browser = browsers.find(([sign]) => said.includes(sign))?.[1];
  const system = systems.find(([sign]) => said.includes(sign))?.[1];
  return browser && system ? `${browser} on ${system}` : said;
}

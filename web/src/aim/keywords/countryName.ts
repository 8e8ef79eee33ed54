const names = new Intl.DisplayNames("en-GB", { type: "region", fallback: "none" });

/** The name of a country where its code is one of ISO 3166; else as it was reported. */
export function countryName(country: string) {
  if (!/^[a-z]{2}$/i.test(country)) return country;
  const name = names.of(country.toUpperCase());
  return name ?? country;
}

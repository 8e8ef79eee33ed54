/** The text of one image or link of a page; null where it has none at all. */
export interface PartText {
  address: string;
  text: string | null;
}

/** The texts of the images or links of a page, which come as lines: address, tab, text. */
export function partsOf(text: string): PartText[] {
  if (text === "") return [];
  return text.split("\n").map((line) => {
    const tab = line.indexOf("\t");
    return tab < 0 ? { address: line, text: null } : { address: line.slice(0, tab), text: line.slice(tab + 1) };
  });
}

export const joinParts = (parts: PartText[]) =>
  parts.map(({ address, text }) => (text === null ? address : `${address}\t${text}`)).join("\n");

/** "boat.jpg" of an address; the page's name where it leads to one. */
export function nameOf(address: string) {
  if (address.startsWith("data:")) return "an image in the page itself";
  const path = address.replace(/[?#].*$/, "").replace(/\/$/, "");
  return path.slice(path.lastIndexOf("/") + 1) || address;
}

/** "boat.jpg: A red boat · oar.jpg: none": the texts of parts to be read. */
export const partsInWords = (text: string) =>
  partsOf(text)
    .map(({ address, text: said }) => `${nameOf(address)}: ${said === null ? "none" : said || "decoration"}`)
    .join(" · ");

/** What a file holds as JSON; one that is none is refused in words that name what was expected. */
export async function readJson<T>(file: File, expected: string): Promise<T> {
  try {
    return JSON.parse(await file.text());
  } catch {
    throw new Error(`Expected ${expected} as JSON; ${file.name} is none.`);
  }
}

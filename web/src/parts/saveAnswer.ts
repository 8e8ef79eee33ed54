/** How long what is saved is kept for the browser to read, in ms. */
const KEPT_MS = 60_000;

/** Asks for a file with what it shall hold, and saves it. */
export async function saveAnswer(path: string, form: unknown, name: string) {
  const answer = await fetch(path, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(form),
  });
  if (!answer.ok) throw new Error((await answer.json()).detail ?? "The file could not be made.");
  const link = document.createElement("a");
  link.href = URL.createObjectURL(await answer.blob());
  link.download = name;
  link.click();
  // The browser reads it after the click was handled: let go at once, a busy machine saves nothing.
  setTimeout(() => URL.revokeObjectURL(link.href), KEPT_MS);
}

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
  URL.revokeObjectURL(link.href);
}

import { useQuery } from "@tanstack/react-query";
import { answer, api, type ItemRow } from "../api/client";
import { ofProperty } from "../api/queries";
import css from "./CloseUp.module.css";
import { cellOf, DRAFTED_FIELDS, fieldLabel } from "./fields";
import { day } from "./number";

/** What was said of drafts of an item when they were sent back. */
export function DraftNotes({ propertyId, item }: { propertyId: number; item: ItemRow }) {
  const sentBack = DRAFTED_FIELDS.filter((field) => cellOf(item, field)?.state === "sent-back");
  const { data } = useQuery({
    queryKey: ofProperty(propertyId, "notes", item.id),
    queryFn: () => answer(api.GET("/api/items/{id}/notes", { params: { path: { id: item.id } } })),
    enabled: sentBack.length > 0,
  });
  const notes = (data ?? []).filter((note) => (sentBack as string[]).includes(note.field));
  if (notes.length === 0) return null;
  return (
    <section>
      <h3>Sent back</h3>
      {notes.map((note) => (
        <p key={note.field} className={css.note}>
          <b>{fieldLabel(note.field)}</b> “{note.note}” {day(note.noted)}
        </p>
      ))}
    </section>
  );
}

import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../api/client";
import { ofProperty } from "../api/queries";
import { month, of } from "../parts/number";
import { keyOf } from "./causeFilter";
import css from "./Triage.module.css";
import { useCauseWords } from "./useCauseWords";

/** The causes that were set aside, below those that are not. */
export function AsideCauses({ propertyId }: { propertyId: number }) {
  const [open, setOpen] = useState(false);
  const aside = useQuery({
    queryKey: ofProperty(propertyId, "causes", "aside"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/causes/aside", { params: { path: { propertyId } } })),
  });
  const words = useCauseWords(propertyId);
  if (aside.error) return <p role="alert">Causes set aside: {aside.error.message}</p>;
  if (!aside.data || aside.data.length === 0) return null;
  return (
    <section className={css.aside}>
      <button type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
        {of(aside.data.length, "cause")} set aside
      </button>
      {open && (
        <ul>
          {aside.data.map(({ cause, reason, untilMonth }) => (
            <li key={keyOf(cause)}>
              <div>
                {cause.says}
                <span>
                  {reason}
                  {untilMonth && <> (until {month(untilMonth)})</>}
                </span>
              </div>
              <Button size="xs" variant="default" onClick={() => words.mutate({ causes: [cause], aside: false })}>
                Bring back
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

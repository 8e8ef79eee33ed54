import { Button, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { answer, api, type Property } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { FileLink } from "../parts/FileLink";
import { dayAndTime, of } from "../parts/number";
import { SidePanel } from "../parts/SidePanel";
import css from "./Release.module.css";

const NAMES: Record<string, string> = {
  csv: "CSV: address, field, before, after",
  json: "JSON: one object an item",
  html: "HTML head: title, meta description, robots",
  redirects: "Redirects of new slugs: from, to",
  listings: "Listings CSV, in the shape it was imported",
};

const SHORT: Record<string, string> = {
  csv: "CSV",
  json: "JSON",
  html: "HTML",
  redirects: "redirects",
  listings: "as imported",
};

/** Delivers approved drafts as a file, and lists what was delivered so far. */
export function Handovers({
  property,
  approved,
  children,
}: {
  property: Property;
  approved: number;
  children?: ReactNode;
}) {
  const formats = property.kind === "website" ? ["csv", "json", "html", "redirects"] : ["listings", "csv", "json"];
  const [format, setFormat] = useState(formats[0]);
  const propertyId = property.id;
  const handovers = useQuery({
    queryKey: ofProperty(propertyId, "handovers"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/handovers", { params: { path: { propertyId } } })),
  });
  const handOver = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/handovers", { params: { path: { propertyId } }, body: { format } })),
  );
  return (
    <SidePanel
      label="Deliver"
      width={320}
      title={approved === 0 ? "Nothing approved yet" : `${of(approved, "approved draft")} to deliver`}
    >
      <NativeSelect
        label="Format"
        value={format}
        data={formats.map((value) => ({ value, label: NAMES[value] }))}
        onChange={(event) => setFormat(event.currentTarget.value)}
      />
      <Button
        disabled={approved === 0}
        loading={handOver.isPending}
        onClick={() =>
          handOver.mutate(undefined, { onSuccess: ({ id }) => window.location.assign(`/api/handovers/${id}/file`) })
        }
      >
        Deliver
      </Button>
      {approved === 0 && (
        <p className={css.soft}>Select drafts on the left and approve them; then they can be delivered.</p>
      )}
      {children}
      {handovers.data && handovers.data.length > 0 && (
        <section>
          <h3>Delivered</h3>
          <ol className={css.list}>
            {handovers.data.map((handover) => (
              <li key={handover.id}>
                <span>
                  {dayAndTime(handover.created)}
                  <br />
                  <small>
                    {of(handover.texts, "text")} of {of(handover.items, "item")}, {SHORT[handover.format]}
                  </small>
                </span>
                <FileLink href={`/api/handovers/${handover.id}/file`} label="Download" />
              </li>
            ))}
          </ol>
        </section>
      )}
    </SidePanel>
  );
}

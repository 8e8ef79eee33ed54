import { Button, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { answer, api, type HandoverObjection, type Property } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { FileLink } from "../parts/FileLink";
import { dayAndTime, of, pathOf } from "../parts/number";
import { SidePanel } from "../parts/SidePanel";
import css from "./Release.module.css";

const NAMES: Record<string, string> = {
  csv: "CSV: a row a text, before and after",
  xlsx: "XLSX: the same as a workbook",
  json: "JSON: one object an item",
  jsonl: "JSON Lines: one object a line",
  html: "HTML head: title, description, robots, Open Graph",
  redirects: "Redirects of new slugs: CSV",
  nginx: "Redirects of new slugs: nginx",
  apache: "Redirects of new slugs: Apache",
  listings: "CSV in the shape it was imported",
};

const SHORT: Record<string, string> = {
  csv: "CSV",
  xlsx: "XLSX",
  json: "JSON",
  jsonl: "JSON Lines",
  html: "HTML",
  redirects: "redirects",
  nginx: "redirects for nginx",
  apache: "redirects for Apache",
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
  const propertyId = property.id;
  const path = { params: { path: { propertyId } } };
  const formats = useQuery({
    queryKey: ofProperty(propertyId, "handover-formats"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/handover-formats", path)),
  }).data;
  const [chosen, setFormat] = useState<string>();
  const format = chosen ?? formats?.[0] ?? "csv";
  const objections = useQuery({
    queryKey: ofProperty(propertyId, "handover-objections"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/handover-objections", path)),
    enabled: approved > 0,
  }).data;
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
        data={(formats ?? []).map((value) => ({ value, label: NAMES[value] ?? value }))}
        onChange={(event) => setFormat(event.currentTarget.value)}
      />
      <Button
        disabled={approved === 0 || !formats}
        loading={handOver.isPending}
        onClick={() =>
          handOver.mutate(undefined, { onSuccess: ({ id }) => window.location.assign(`/api/handovers/${id}/file`) })
        }
      >
        Deliver
      </Button>
      {approved > 0 && objections && objections.length > 0 && <Objections found={objections} />}
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
                <span className={css.files}>
                  <FileLink href={`/api/handovers/${handover.id}/file`} label="Download" />
                  {property.kind === "website" && (
                    <FileLink href={`/api/handovers/${handover.id}/sitemap.xml`} label="Sitemap" />
                  )}
                </span>
              </li>
            ))}
          </ol>
        </section>
      )}
    </SidePanel>
  );
}

/** Which mistakes delivering what is approved would make. */
function Objections({ found }: { found: HandoverObjection[] }) {
  return (
    <section className={css.objections} aria-label="Before you deliver">
      <h3>Before you deliver</h3>
      <ul>
        {found.map((each) => (
          <li key={each.mistake}>
            <b>{of(each.texts, "text")}</b>: {each.says}
            <span>{each.examples.map(pathOf).join(", ")}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

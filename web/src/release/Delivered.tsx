import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type HandoverView, type Property, type PushView } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { FileLink } from "../parts/FileLink";
import { count, dayAndTime, of } from "../parts/number";
import { ScheduleChoice } from "../parts/ScheduleChoice";
import { SHORT_FORMATS } from "./formats";
import { LiveDialog } from "./LiveDialog";
import { nameOf, textsIn } from "./push/states";
import css from "./Release.module.css";

/** How many addresses a sitemap holds at most; more are several sitemaps with an index. */
const IN_A_SITEMAP = 50_000;

interface Props {
  property: Property;
  pushes: PushView[];
  onOpen: (releaseId: number) => void;
}

/** What was delivered so far: as a file or by a push, and what of it sweeps saw live. */
export function Delivered({ property, pushes, onOpen }: Props) {
  const [looked, setLooked] = useState<number>();
  const handovers = useQuery({
    queryKey: ofProperty(property.id, "handovers"),
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/handovers", { params: { path: { propertyId: property.id } } })),
  }).data;
  if (!handovers || handovers.length === 0) return null;
  const lookedAt = handovers.find(({ handover }) => handover.id === looked);
  return (
    <section>
      <h3>Releases</h3>
      <ol className={css.list}>
        {handovers.map((view) => (
          <Entry
            key={view.handover.id}
            view={view}
            push={pushes.find((push) => push.release.id === view.handover.id)}
            propertyId={property.id}
            withSitemap={property.kind === "website"}
            onOpen={() => onOpen(view.handover.id)}
            onLive={() => setLooked(view.handover.id)}
          />
        ))}
      </ol>
      {property.kind === "website" && (
        <ScheduleChoice
          propertyId={property.id}
          path="/api/properties/{propertyId}/live-schedule"
          label="Check what is live"
          does="Sweeps the pages of the last 90 days' releases again"
          every={["DAY", "WEEK"]}
        />
      )}
      {lookedAt && <LiveDialog property={property} view={lookedAt} onClose={() => setLooked(undefined)} />}
    </section>
  );
}

interface EntryProps {
  view: HandoverView;
  push?: PushView;
  propertyId: number;
  withSitemap: boolean;
  onOpen: () => void;
  onLive: () => void;
}

function Entry({ view: { handover, live, heldBack }, push, propertyId, withSitemap, onOpen, onLive }: EntryProps) {
  const letGo = useChange(propertyId, () =>
    answer(api.POST("/api/handovers/{id}/let-go", { params: { path: { id: handover.id } } })),
  );
  const seen = Object.values(live).reduce((sum, texts) => sum + texts, 0);
  const arrived = push ? textsIn(push, "pushed", "in-place") : handover.texts;
  return (
    <li>
      <span className={css.entry}>
        <b>{handover.name || (push ? nameOf(handover) : dayAndTime(handover.created))}</b>
        <small>
          {of(handover.texts, "text")} of {of(handover.items, "item")}
          {push ? `, ${count(arrived)} pushed` : `, ${SHORT_FORMATS[handover.format] ?? handover.format}`}
          {(handover.name || push) && `, ${dayAndTime(handover.created)}`}
        </small>
        {arrived > 0 && (
          <button type="button" className={css.live} onClick={onLive}>
            {seen === 0 ? "Not looked for yet" : `${count(live.live ?? 0)} of ${count(seen)} live`}
            {(live["changed-back"] ?? 0) > 0 && `, ${count(live["changed-back"] ?? 0)} changed back`}
          </button>
        )}
        {heldBack > 0 && (
          <button
            type="button"
            className={css.live}
            title="Their drafts are approved and go with the next delivery."
            onClick={() => letGo.mutate()}
          >
            {of(heldBack, "item")} held back: let go
          </button>
        )}
      </span>
      <span className={css.files}>
        {push && (
          <Button size="compact-xs" variant="default" onClick={onOpen}>
            {push.underWay ? "Being pushed" : "Open"}
          </Button>
        )}
        <FileLink href={`/api/handovers/${handover.id}/file`} label={push ? "CSV" : "Download"} />
        {withSitemap && (
          <FileLink
            href={`/api/handovers/${handover.id}/${handover.items > IN_A_SITEMAP ? "sitemaps.zip" : "sitemap.xml"}`}
            label={handover.items > IN_A_SITEMAP ? "Sitemaps" : "Sitemap"}
          />
        )}
      </span>
    </li>
  );
}

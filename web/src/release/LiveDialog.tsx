import { Button, Modal, Tabs } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type HandoverView, type LiveState, type Property } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { AcceptanceFigures } from "../parts/AcceptanceFigures";
import { fieldLabel } from "../parts/fields";
import { count, day, pathOf } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { tell } from "../parts/tell";
import css from "./push/Push.module.css";
import { nameOf } from "./push/states";

const STATES: { state: LiveState; says: string }[] = [
  { state: "live", says: "live" },
  { state: "changed-back", says: "changed back" },
  { state: "otherwise", says: "otherwise" },
  { state: "not-yet", says: "not yet there" },
  { state: "gone", says: "gone" },
];

interface Props {
  property: Property;
  view: HandoverView;
  onClose: () => void;
}

/** What the last sweeps saw of the texts of a release. */
export function LiveDialog({ property, view: { handover, live }, onClose }: Props) {
  const there = STATES.filter(({ state }) => (live[state] ?? 0) > 0);
  const [chosen, setChosen] = useState<LiveState>();
  const shown = chosen ?? there.find(({ state }) => state !== "live")?.state ?? there[0]?.state;
  const texts = useQuery({
    queryKey: ofProperty(property.id, "live", handover.id, shown, live),
    enabled: shown !== undefined,
    queryFn: () =>
      answer(
        api.GET("/api/handovers/{id}/live", {
          params: { path: { id: handover.id }, query: { state: shown ?? "live" } },
        }),
      ),
  });
  const sweep = useChange(property.id, () =>
    answer(api.POST("/api/handovers/{id}/live", { params: { path: { id: handover.id } } })),
  );
  const website = property.kind === "website";
  return (
    <Modal opened onClose={onClose} size="min(960px, 96vw)" title={`${nameOf(handover)}, seen live`}>
      <div className={css.dialog}>
        <div className={css.actions}>
          <p className={css.lead} style={{ flex: 1 }}>
            {there.length === 0
              ? "No sweep has looked for these texts yet."
              : "As the last sweep of each item saw it. Every later sweep looks again."}
            {!website && " Import the listings or videos once more under Gather to look again."}
          </p>
          {website && (
            <Button
              variant={there.length === 0 ? "filled" : "default"}
              loading={sweep.isPending}
              onClick={() =>
                sweep.mutate(undefined, {
                  onSuccess: () => tell("The pages are being swept again."),
                })
              }
            >
              Sweep these pages again
            </Button>
          )}
        </div>
        {there.length > 0 && (
          <Tabs value={shown} onChange={(state) => setChosen(state as LiveState)}>
            <Tabs.List>
              {there.map(({ state, says }) => (
                <Tabs.Tab key={state} value={state}>
                  <b>{count(live[state] ?? 0)}</b> {says}
                </Tabs.Tab>
              ))}
            </Tabs.List>
          </Tabs>
        )}
        {texts.error && <QueryProblem query={texts} />}
        <ul className={css.lines}>
          {texts.data?.map((text) => (
            <li key={`${text.itemId} ${text.field}`}>
              <span className={css.where} title={text.address}>
                <b>{pathOf(text.address)}</b>
                <small>
                  {fieldLabel(text.field)}, since {day(text.since)}
                </small>
              </span>
              <dl>
                {shown !== "live" && (
                  <>
                    <dt>before</dt>
                    <dd className={css.old}>{text.before || "none"}</dd>
                  </>
                )}
                <dt>{shown === "live" ? "live" : "ours"}</dt>
                <dd>{text.after || "none"}</dd>
                {shown !== "live" && shown !== "gone" && (
                  <>
                    <dt>there now</dt>
                    <dd>{text.now || "none"}</dd>
                  </>
                )}
              </dl>
            </li>
          ))}
        </ul>
        {(live.live ?? 0) > 0 && (
          <section>
            <h3>On result pages</h3>
            <AcceptanceFigures propertyId={property.id} handover={handover.id} />
          </section>
        )}
      </div>
    </Modal>
  );
}

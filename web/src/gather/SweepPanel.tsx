import { Button, Checkbox, NumberInput, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Property } from "../api/client";
import { useChange, useJobs } from "../api/queries";
import stage from "../parts/stage.module.css";
import { type CrawlForm, GENTLE, settingsOf } from "./crawlForm";
import css from "./Gather.module.css";
import { LoginFields } from "./LoginFields";
import { ReadingFields } from "./ReadingFields";
import { ScopeFields } from "./ScopeFields";

type Limit = "maxPages" | "maxDepth" | "connections" | "delayMs" | "maxMinutes" | "maxMegabytes";

/** Starts a sweep of a website. */
export function SweepPanel({ property }: { property: Property }) {
  const [address, setAddress] = useState(property.address);
  const [privateAllowed, setPrivateAllowed] = useState(property.privateAllowed);
  const [form, setForm] = useState(GENTLE);
  const change = (next: Partial<CrawlForm>) => setForm((before) => ({ ...before, ...next }));
  const jobs = useJobs(property.id);
  const running = jobs.data?.some((job) => job.kind === "crawl" && job.state === "running");
  const start = useChange(property.id, async () => {
    if (address !== property.address || privateAllowed !== property.privateAllowed) {
      await answer(
        api.PUT("/api/properties/{id}", {
          params: { path: { id: property.id } },
          body: { ...property, address, privateAllowed },
        }),
      );
    }
    return answer(
      api.POST("/api/properties/{propertyId}/sweeps", {
        params: { path: { propertyId: property.id } },
        body: settingsOf(form),
      }),
    );
  });
  const number = (name: Limit, label: string, max: number, min = 1) => (
    <NumberInput
      label={label}
      value={form[name] === 0 && min === 0 && name.startsWith("max") && name !== "maxDepth" ? "" : form[name]}
      placeholder="no limit"
      min={min}
      max={max}
      thousandSeparator=","
      hideControls
      onChange={(value) => change({ [name]: Number(value) })}
    />
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        start.mutate(undefined);
      }}
    >
      <h2>Sweep the site</h2>
      <TextInput label="Address to start from" value={address} onChange={(e) => setAddress(e.currentTarget.value)} />
      <div className={css.numbers}>
        {number("maxPages", "Pages, at most", 500_000)}
        {number("maxDepth", "Crawl depth, at most", 100, 0)}
        {number("connections", "Parallel requests", 16)}
        {number("delayMs", "Pause between requests, ms", 60_000, 0)}
        {number("maxMinutes", "Minutes, at most", 10_000, 0)}
        {number("maxMegabytes", "MB, at most", 1_000_000, 0)}
      </div>
      <LoginFields propertyId={property.id} />
      <ScopeFields propertyId={property.id} address={address} form={form} onChange={change} />
      <ReadingFields form={form} onChange={change} />
      <Checkbox
        size="xs"
        label="Allow private addresses (a site on this machine or in the office)"
        checked={privateAllowed}
        onChange={(event) => setPrivateAllowed(event.currentTarget.checked)}
      />
      <Button type="submit" loading={start.isPending} disabled={running}>
        {running ? "A sweep is under way" : "Start the sweep"}
      </Button>
      <p className={stage.soft}>
        Never faster than set here, and slower where the server asks for it. Drafts, targets and kept texts stay through
        every sweep.
      </p>
    </form>
  );
}

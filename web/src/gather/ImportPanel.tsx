import { Button, Modal, Textarea, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ImportPlan, type Property, upload } from "../api/client";
import { ofProperty, useChange, useJobs } from "../api/queries";
import { ChooseFile } from "../parts/ChooseFile";
import stage from "../parts/stage.module.css";
import { ImportDialog } from "./ImportDialog";

const WHAT: Record<string, string> = { website: "Import pages", listings: "Import listings", videos: "Import videos" };

/** Takes a file or pasted rows in: how they were understood is shown and can be put right before they are read. */
export function ImportPanel({ property }: { property: Property }) {
  const [pasting, setPasting] = useState(false);
  const [text, setText] = useState("");
  const look = useMutation({
    mutationFn: (given: File | string) =>
      typeof given === "string"
        ? answer(
            api.POST("/api/properties/{propertyId}/imports/text", {
              params: { path: { propertyId: property.id } },
              body: { text: given },
            }),
          )
        : upload<ImportPlan>(`/api/properties/${property.id}/imports`, given),
    onSuccess: () => setPasting(false),
  });
  const [feed, setFeed] = useState(property.address);
  const fetchFeed = useChange(property.id, async () => {
    if (feed !== property.address) {
      await answer(
        api.PUT("/api/properties/{id}", {
          params: { path: { id: property.id } },
          body: { ...property, address: feed },
        }),
      );
    }
    return answer(
      api.POST("/api/properties/{propertyId}/imports/feed", { params: { path: { propertyId: property.id } } }),
    );
  });
  const jobs = useJobs(property.id);
  const fetching = jobs.data?.find((job) => job.id === fetchFeed.data?.jobId);
  const token = fetchFeed.data?.token ?? "";
  const fetched = useQuery({
    queryKey: ofProperty(property.id, "fetched", token),
    queryFn: () => answer(api.GET("/api/imports/{token}", { params: { path: { token } } })),
    enabled: fetching?.state === "done",
    staleTime: Number.POSITIVE_INFINITY,
  });
  const plan = look.data ?? fetched.data;
  return (
    <div className={stage.block}>
      <h2>{WHAT[property.kind]}</h2>
      <p className={stage.soft}>
        CSV, XLSX, JSON, an XML sitemap or a ZIP of saved pages; what search engines report (demand) and result lists,
        too.
      </p>
      <div style={{ display: "flex", gap: 8 }}>
        <ChooseFile
          accept=".csv,.tsv,.txt,.xlsx,.json,.jsonl,.ndjson,.xml,.zip,text/csv"
          label="Choose a file"
          variant={property.kind === "website" ? "default" : "filled"}
          loading={look.isPending}
          onFile={look.mutate}
        />
        <Button variant="default" onClick={() => setPasting(true)}>
          Paste rows
        </Button>
      </div>
      <Modal opened={pasting} onClose={() => setPasting(false)} size={720} title="Paste rows">
        <form
          className={stage.block}
          onSubmit={(event) => {
            event.preventDefault();
            look.mutate(text);
          }}
        >
          <Textarea
            aria-label="Rows"
            description="As copied from a spreadsheet, with or without a row of column names; or one address a line."
            data-autofocus
            autosize
            minRows={10}
            maxRows={20}
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <div>
            <Button type="submit" disabled={text.trim() === ""} loading={look.isPending}>
              Preview
            </Button>
          </div>
        </form>
      </Modal>
      {property.kind !== "website" && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            fetchFeed.mutate();
          }}
        >
          <TextInput
            label="Or fetch them from"
            description="The address of a feed: a JSON list, page by page"
            value={feed}
            onChange={(event) => setFeed(event.currentTarget.value)}
          />
          <Button
            type="submit"
            variant="default"
            disabled={feed.trim() === ""}
            loading={fetchFeed.isPending || fetching?.state === "running" || fetched.isFetching}
          >
            Fetch
          </Button>
          {fetching?.state === "failed" && <p role="alert">{fetching.note}</p>}
        </form>
      )}
      {plan && (
        <ImportDialog
          property={property}
          first={plan as ImportPlan}
          onClose={() => {
            look.reset();
            fetchFeed.reset();
          }}
        />
      )}
    </div>
  );
}

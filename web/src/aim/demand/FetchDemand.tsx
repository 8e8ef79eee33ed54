import { Button, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { ScheduleChoice } from "../../parts/ScheduleChoice";
import css from "../Aim.module.css";

/** Fetches demand from where it was fetched the last time, or from another service. */
export function FetchDemand({ propertyId }: { propertyId: number }) {
  const source = useQuery({
    queryKey: ofProperty(propertyId, "demand-source"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/demand/source", { params: { path: { propertyId } } })),
  });
  const [typed, setTyped] = useState<string>();
  const address = typed ?? source.data?.address ?? "";
  const fetching = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/demand/fetch", { params: { path: { propertyId } }, body: { address } }),
    ),
  );
  return (
    <form
      className={css.fetch}
      onSubmit={(event) => {
        event.preventDefault();
        fetching.mutate();
      }}
    >
      <TextInput
        label="Fetch demand from a reporting service"
        placeholder="https://reports.example/demand"
        value={address}
        error={fetching.error?.message}
        onChange={(event) => setTyped(event.currentTarget.value)}
      />
      <Button type="submit" disabled={address.trim() === ""} loading={fetching.isPending}>
        Fetch
      </Button>
      {source.data?.address && (
        <ScheduleChoice
          propertyId={propertyId}
          path="/api/properties/{propertyId}/demand/schedule"
          label="Fetch it again"
          does="From the same address"
          every={["DAY", "WEEK", "MONTH"]}
        />
      )}
    </form>
  );
}

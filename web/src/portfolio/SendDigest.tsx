import { Button, Modal, NativeSelect, TextInput } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Client, type Schedule } from "../api/client";
import { renew } from "../api/renew";
import { day } from "../parts/number";
import { EVERY, today } from "../parts/ScheduleChoice";
import { tell } from "../parts/tell";

const PLANS = [
  { value: "", label: "now" },
  ...(["WEEK", "MONTH"] as const).map((value) => ({ value, label: `now and ${EVERY[value]}` })),
];

/** Sends the week of a client by mail, once or again and again. */
export function SendDigest({ client, onClose }: { client: Client; onClose: () => void }) {
  const [to, setTo] = useState("");
  const [every, setEvery] = useState<Schedule["every"] | "">("");
  const params = { path: { clientId: client.id } };
  const key = ["digest", client.id];
  const queries = useQueryClient();
  const planned = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/clients/{clientId}/digest/schedule", { params })),
  }).data?.planned;
  const send = useMutation({
    mutationFn: () =>
      every === ""
        ? answer(api.POST("/api/clients/{clientId}/digest/mail", { params, body: { to } }))
        : answer(
            api.PUT("/api/clients/{clientId}/digest/schedule", {
              params,
              body: { to, schedule: { every, nextDay: today() } },
            }),
          ),
    onSuccess: (sent) => {
      renew(queries, key);
      if (sent?.planned?.problem) return;
      tell(`The week of ${client.name} is on its way to ${to}.`);
      onClose();
    },
  });
  const stop = useMutation({
    mutationFn: () => answer(api.DELETE("/api/clients/{clientId}/digest/schedule", { params })),
    onSuccess: (left) => queries.setQueryData(key, left),
  });
  return (
    <Modal opened onClose={onClose} title={`The week of ${client.name}`}>
      <form
        style={{ display: "grid", gap: 12 }}
        onSubmit={(event) => {
          event.preventDefault();
          send.mutate();
        }}
      >
        {planned && (
          <p>
            Goes to {planned.to} {EVERY[planned.schedule.every]}, next on {day(planned.schedule.nextDay)}.{" "}
            {planned.problem && <b role="alert">It could not be sent and is tried again: {planned.problem} </b>}
            <Button variant="subtle" size="compact-sm" loading={stop.isPending} onClick={() => stop.mutate()}>
              Stop sending
            </Button>
          </p>
        )}
        <TextInput
          label="To"
          type="email"
          required
          data-autofocus
          maxLength={300}
          value={to}
          onChange={(event) => setTo(event.currentTarget.value)}
        />
        <NativeSelect
          label="When"
          value={every}
          data={PLANS}
          onChange={(event) => setEvery(event.currentTarget.value as Schedule["every"] | "")}
        />
        <Button type="submit" loading={send.isPending}>
          Send
        </Button>
      </form>
    </Modal>
  );
}

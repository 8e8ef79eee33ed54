import { Button, Modal, TextInput } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Client } from "../api/client";
import { tell } from "../parts/tell";

/** Sends the week of a client by mail. */
export function SendDigest({ client, onClose }: { client: Client; onClose: () => void }) {
  const [to, setTo] = useState("");
  const send = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/clients/{clientId}/digest/mail", { params: { path: { clientId: client.id } }, body: { to } }),
      ),
    onSuccess: () => {
      tell(`The week of ${client.name} is on its way to ${to}.`);
      onClose();
    },
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
        <TextInput
          label="To"
          type="email"
          required
          data-autofocus
          maxLength={300}
          value={to}
          onChange={(event) => setTo(event.currentTarget.value)}
        />
        <Button type="submit" loading={send.isPending}>
          Send
        </Button>
      </form>
    </Modal>
  );
}

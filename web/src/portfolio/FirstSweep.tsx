import { Button, TextInput } from "@mantine/core";
import { useState } from "react";
import { useNavigate } from "react-router";
import { answer, api } from "../api/client";
import css from "./Portfolio.module.css";
import { useClientChange } from "./useClientChange";

/** Where nothing is yet: one address, and its pages appear. */
export function FirstSweep({ onClient }: { onClient: () => void }) {
  const [address, setAddress] = useState("");
  const navigate = useNavigate();
  const begin = useClientChange(() => answer(api.POST("/api/sweeps", { body: { address } })));
  return (
    <section className={css.first}>
      <h2>Which website do you look after?</h2>
      <p>Paste its address. Its pages appear here within seconds, and everything can be set afterwards.</p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          begin.mutate(undefined, { onSuccess: ({ propertyId }) => navigate(`/p/${propertyId}/gather`) });
        }}
      >
        <TextInput
          size="md"
          data-autofocus
          autoFocus
          aria-label="Address of a website"
          placeholder="https://example.com/"
          value={address}
          onChange={(event) => setAddress(event.currentTarget.value)}
        />
        <Button size="md" type="submit" disabled={address.trim() === ""} loading={begin.isPending}>
          Sweep it
        </Button>
      </form>
      <p>
        For the listings of a shop or a video channel,{" "}
        <button type="button" className={css.quiet} onClick={onClient}>
          add a client
        </button>{" "}
        and import a file.
      </p>
    </section>
  );
}

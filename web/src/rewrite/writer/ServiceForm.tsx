import { Button, Checkbox, NumberInput, PasswordInput, TextInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ServiceSettings } from "../../api/client";
import { renew } from "../../api/renew";
import { AmountInput } from "../../parts/AmountInput";
import { tell } from "../../parts/tell";
import css from "./Writer.module.css";

const NEW = {
  address: "",
  model: "",
  hasKey: false,
  privateAllowed: false,
  parallel: 4,
  inputPrice: 0,
  outputPrice: 0,
  currency: "GBP",
};

/** How the text-generation service is reached and what it costs. */
export function ServiceForm({ settings, onDone }: { settings: ServiceSettings | null; onDone: () => void }) {
  const queries = useQueryClient();
  const [form, setForm] = useState({ ...(settings ?? NEW), key: undefined as string | undefined });
  const set = (changes: Partial<typeof form>) => setForm((before) => ({ ...before, ...changes }));
  const save = useMutation({
    mutationFn: async () => {
      await answer(api.PUT("/api/writer/service", { body: form }));
      await renew(queries, ["writer-service"]);
      const tried = await answer(api.POST("/api/writer/service/trial"));
      tell(`The service answers. ${tried.tokensIn + tried.tokensOut} tokens were used to try it.`);
    },
    onSuccess: onDone,
  });
  return (
    <form
      className={css.form}
      aria-label="Text-generation service"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <TextInput
        label="Address"
        description="Where messages are posted to, as a list of roles and contents"
        placeholder="https://"
        value={form.address}
        onChange={(event) => set({ address: event.currentTarget.value })}
      />
      <TextInput label="Model" value={form.model} onChange={(event) => set({ model: event.currentTarget.value })} />
      <PasswordInput
        label="Key"
        description={
          form.hasKey ? "One is kept, sealed; leave this empty to keep it." : "It is kept sealed and never shown again."
        }
        autoComplete="off"
        value={form.key ?? ""}
        onChange={(event) => set({ key: event.currentTarget.value || undefined })}
      />
      <div className={css.three}>
        <AmountInput
          label="Per million in"
          start={form.inputPrice}
          onAmount={(amount) => set({ inputPrice: amount ?? 0 })}
        />
        <AmountInput
          label="Per million out"
          start={form.outputPrice}
          onAmount={(amount) => set({ outputPrice: amount ?? 0 })}
        />
        <TextInput
          label="Currency"
          maxLength={3}
          value={form.currency}
          onChange={(event) => set({ currency: event.currentTarget.value.toUpperCase() })}
        />
      </div>
      <NumberInput
        label="Parallel requests"
        min={1}
        max={32}
        value={form.parallel}
        onChange={(value) => typeof value === "number" && set({ parallel: value })}
      />
      <Checkbox
        label="Allow private addresses"
        checked={form.privateAllowed}
        onChange={(event) => set({ privateAllowed: event.currentTarget.checked })}
      />
      <div className={css.buttons}>
        <Button type="submit" loading={save.isPending} disabled={!form.address || !form.model}>
          Save and try it
        </Button>
        <Button variant="subtle" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

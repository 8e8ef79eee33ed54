import { Button, PasswordInput, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import stage from "../parts/stage.module.css";
import css from "./Gather.module.css";

const NOTHING = { user: "", password: "", header: "", value: "" };

/** What lets a sweep into a site that is closed to others. What was typed is never shown again. */
export function LoginFields({ propertyId }: { propertyId: number }) {
  const params = { path: { propertyId } };
  const known = useQuery({
    queryKey: ofProperty(propertyId, "login"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/login", { params })),
  });
  const [typed, setTyped] = useState<Partial<typeof NOTHING>>({});
  const form = { ...NOTHING, ...known.data, ...typed };
  const save = useChange(propertyId, (body: typeof NOTHING) =>
    answer(api.PUT("/api/properties/{propertyId}/login", { params, body })),
  );
  const keep = (body: typeof NOTHING) => save.mutate(body, { onSuccess: () => setTyped({}) });
  const names = [known.data?.user && `as ${known.data.user}`, known.data?.header && `with ${known.data.header}`];
  const set = names.filter(Boolean).join(", ");
  const secret = (known: string | undefined, name: string) =>
    known && known === name ? "as it was; type to change it" : undefined;
  return (
    <details className={css.scope}>
      <summary>
        <b>Login</b> <span className={stage.soft}>{set || "none"}</span>
      </summary>
      <div className={stage.block}>
        <p className={stage.soft}>
          For a staging site. Kept encrypted, sent to the property’s own host only, and never shown or exported.
        </p>
        <TextInput
          label="User"
          autoComplete="off"
          value={form.user}
          onChange={(event) => setTyped({ ...typed, user: event.currentTarget.value })}
        />
        <PasswordInput
          label="Password"
          autoComplete="new-password"
          placeholder={secret(known.data?.user, form.user)}
          value={form.password}
          onChange={(event) => setTyped({ ...typed, password: event.currentTarget.value })}
        />
        <TextInput
          label="Header of your own"
          placeholder="X-Staging-Access"
          value={form.header}
          onChange={(event) => setTyped({ ...typed, header: event.currentTarget.value })}
        />
        <PasswordInput
          label="Its value"
          autoComplete="new-password"
          placeholder={secret(known.data?.header, form.header)}
          value={form.value}
          onChange={(event) => setTyped({ ...typed, value: event.currentTarget.value })}
        />
        <div className={css.choices}>
          <Button size="xs" variant="default" loading={save.isPending} onClick={() => keep(form)}>
            Keep this login
          </Button>
          {set && (
            <Button size="xs" variant="subtle" onClick={() => keep(NOTHING)}>
              Forget it
            </Button>
          )}
        </div>
      </div>
    </details>
  );
}

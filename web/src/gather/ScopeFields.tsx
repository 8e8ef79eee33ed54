import { Button, Checkbox, NativeSelect, Textarea, TextInput } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { answer, api } from "../api/client";
import { count, pathOf } from "../parts/number";
import stage from "../parts/stage.module.css";
import { type CrawlForm, scopeInWords, settingsOf } from "./crawlForm";
import css from "./Gather.module.css";

interface Props {
  propertyId: number;
  address: string;
  form: CrawlForm;
  onChange: (change: Partial<CrawlForm>) => void;
}

/** Which addresses a sweep looks at, tried on those that are known before it starts. */
export function ScopeFields({ propertyId, address, form, onChange }: Props) {
  const trial = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/properties/{propertyId}/scope", { params: { path: { propertyId } }, body: settingsOf(form) }),
      ),
  });
  const change = (next: Partial<CrawlForm>) => {
    trial.reset();
    onChange(next);
  };
  const folder = pathOf(address).replace(/[^/]*$/, "");
  return (
    <details className={css.scope}>
      <summary>
        <b>Scope</b> <span className={stage.soft}>{scopeInWords(form)}</span>
      </summary>
      <div className={stage.block}>
        <NativeSelect
          label="Addresses come from"
          value={form.reach}
          onChange={(event) => change({ reach: event.currentTarget.value as CrawlForm["reach"] })}
          data={[
            { value: "LINKS", label: "links and sitemaps" },
            { value: "SITEMAPS", label: "the sitemaps only" },
            { value: "LIST", label: "a list" },
          ]}
        />
        {form.reach === "LIST" && (
          <Textarea
            label="The list, one address a line"
            autosize
            minRows={3}
            maxRows={8}
            value={form.addresses}
            onChange={(event) => change({ addresses: event.currentTarget.value })}
          />
        )}
        <Textarea
          label="Only addresses that fit"
          description="One pattern a line, as in robots.txt: /tours/ or /*.html$"
          autosize
          minRows={1}
          maxRows={6}
          value={form.include}
          onChange={(event) => change({ include: event.currentTarget.value })}
        />
        {folder !== "/" && (
          <Button size="compact-xs" variant="default" onClick={() => change({ include: folder })}>
            Only the folder {folder}
          </Button>
        )}
        <Textarea
          label="Leave out"
          autosize
          minRows={1}
          maxRows={6}
          value={form.exclude}
          onChange={(event) => change({ exclude: event.currentTarget.value })}
        />
        <NativeSelect
          label="Parameters"
          value={form.query}
          onChange={(event) => change({ query: event.currentTarget.value as CrawlForm["query"] })}
          data={[
            { value: "KEEP", label: "as they are" },
            { value: "SORT", label: "in the order of their names" },
            { value: "DROP", label: "removed, all of them" },
          ]}
        />
        {form.query !== "DROP" && (
          <TextInput
            label="Parameters to remove"
            placeholder="ref, sort"
            value={form.withoutParameters}
            onChange={(event) => change({ withoutParameters: event.currentTarget.value })}
          />
        )}
        <Checkbox
          size="xs"
          label="Subdomains belong to it"
          checked={form.subdomains}
          onChange={(event) => change({ subdomains: event.currentTarget.checked })}
        />
        <Checkbox
          size="xs"
          label="Look at what robots.txt and nofollow keep others from, and mark it"
          checked={form.pastRobots}
          onChange={(event) => change({ pastRobots: event.currentTarget.checked })}
        />
        <div>
          <Button size="xs" variant="default" loading={trial.isPending} onClick={() => trial.mutate()}>
            Preview on known addresses
          </Button>
        </div>
        {trial.data && (
          <div role="status">
            <p>
              Of {count(trial.data.inside + trial.data.outside)} addresses it would look at{" "}
              <b>{count(trial.data.inside)}</b> and leave out {count(trial.data.outside)}.
            </p>
            {[true, false].map((inside) => (
              <ul key={String(inside)} className={css.visits} aria-label={inside ? "Looked at" : "Left out"}>
                {trial.data.samples
                  .filter((sample) => (sample.objection === null) === inside)
                  .slice(0, 6)
                  .map((sample) => (
                    <li key={sample.address} className={inside ? undefined : css.out}>
                      <span>{pathOf(sample.normal)}</span>
                      {sample.objection && <em>{sample.objection}</em>}
                    </li>
                  ))}
              </ul>
            ))}
          </div>
        )}
      </div>
    </details>
  );
}

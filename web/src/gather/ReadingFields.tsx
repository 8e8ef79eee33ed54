import { Checkbox, TextInput } from "@mantine/core";
import stage from "../parts/stage.module.css";
import { type CrawlForm, readingInWords } from "./crawlForm";
import css from "./Gather.module.css";

interface Props {
  form: CrawlForm;
  onChange: (change: Partial<CrawlForm>) => void;
}

/** How a sweep reads pages, and as whom it asks for them. */
export function ReadingFields({ form, onChange }: Props) {
  return (
    <details className={css.scope}>
      <summary>
        <b>How pages are read</b> <span className={stage.soft}>{readingInWords(form)}</span>
      </summary>
      <div className={stage.block}>
        <Checkbox
          size="xs"
          label="Run their scripts first"
          description="In this machine's Chromium, two pages at once: slow. What scripts change is recorded."
          checked={form.scripts}
          onChange={(event) => onChange({ scripts: event.currentTarget.checked })}
        />
        <Checkbox
          size="xs"
          label="Keep their markup as it came"
          checked={form.keepsSource}
          onChange={(event) => onChange({ keepsSource: event.currentTarget.checked })}
        />
        <TextInput
          label="Crawler's name"
          description="Servers and robots.txt know it by this name: letters, - and _"
          placeholder="LucidSweep"
          value={form.agent}
          onChange={(event) => onChange({ agent: event.currentTarget.value })}
        />
      </div>
    </details>
  );
}

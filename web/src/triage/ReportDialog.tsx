import { Button, Checkbox, Modal, NativeSelect } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import type { ReportForm } from "../api/client";
import { ChooseFile } from "../parts/ChooseFile";
import { saveAnswer } from "../parts/saveAnswer";
import { tellProblem } from "../parts/tell";
import css from "./ReportDialog.module.css";

const SECTIONS = [
  { key: "cost", name: "What it costs" },
  { key: "found", name: "What was found" },
  { key: "examples", name: "Examples as search results" },
  { key: "checklist", name: "What is in place" },
  { key: "done", name: "What was done" },
  { key: "next", name: "What is next" },
] as const;

const LANGUAGES = [
  { value: "en", label: "English" },
  { value: "de", label: "German" },
  { value: "fr", label: "French" },
];

const REMEMBERED = "lucid report";

interface Choice {
  language: string;
  colour: string;
  logo?: string;
  logoName?: string;
  sections: string[];
}

const NONE: Choice = { language: "en", colour: "#6d1d5a", sections: SECTIONS.map(({ key }) => key) };

function remembered(): Choice {
  try {
    return { ...NONE, ...JSON.parse(localStorage.getItem(REMEMBERED) ?? "{}") };
  } catch {
    return NONE;
  }
}

function remember(choice: Choice) {
  try {
    localStorage.setItem(REMEMBERED, JSON.stringify(choice));
  } catch {
    // A large logo may not fit; the report is made all the same.
  }
}

/** Asks how the report for the client is wanted, and downloads it. */
export function ReportDialog({ propertyId, onClose }: { propertyId: number; onClose: () => void }) {
  const [choice, setChoice] = useState(remembered);
  const change = (part: Partial<Choice>) => setChoice((now) => ({ ...now, ...part }));
  const download = useMutation({
    mutationFn: async (format: "html" | "xlsx") => {
      remember(choice);
      const form = { language: choice.language, colour: choice.colour, logo: choice.logo, sections: choice.sections };
      await saveAnswer(`/api/properties/${propertyId}/report.${format}`, form as ReportForm, `report.${format}`);
    },
    onError: tellProblem,
    onSuccess: onClose,
  });
  const toggle = (key: string, on: boolean) =>
    change({ sections: on ? [...choice.sections, key] : choice.sections.filter((each) => each !== key) });
  return (
    <Modal opened onClose={onClose} title="Report for the client">
      <form className={css.form} onSubmit={(event) => event.preventDefault()}>
        <NativeSelect
          label="Language"
          data={LANGUAGES}
          value={choice.language}
          onChange={(event) => change({ language: event.currentTarget.value })}
        />
        <label className={css.colour}>
          Colour of headings and bars
          <input
            type="color"
            value={choice.colour}
            onChange={(event) => change({ colour: event.currentTarget.value })}
          />
        </label>
        <div className={css.logo}>
          <ChooseFile
            size="xs"
            label={choice.logo ? "Change the logo" : "Add a logo"}
            accept="image/png,image/jpeg,image/gif,image/webp"
            onFile={(file) => {
              const reader = new FileReader();
              reader.onload = () => change({ logo: String(reader.result), logoName: file.name });
              reader.readAsDataURL(file);
            }}
          />
          {choice.logo && (
            <>
              <span>{choice.logoName}</span>
              <Button size="xs" variant="subtle" onClick={() => change({ logo: undefined, logoName: undefined })}>
                Remove
              </Button>
            </>
          )}
        </div>
        <fieldset className={css.sections}>
          <legend>Sections</legend>
          {SECTIONS.map(({ key, name }) => (
            <Checkbox
              key={key}
              size="xs"
              label={name}
              checked={choice.sections.includes(key)}
              onChange={(event) => toggle(key, event.currentTarget.checked)}
            />
          ))}
        </fieldset>
        <div className={css.buttons}>
          <Button loading={download.isPending} onClick={() => download.mutate("html")}>
            Download HTML
          </Button>
          <Button variant="default" disabled={download.isPending} onClick={() => download.mutate("xlsx")}>
            Download XLSX
          </Button>
        </div>
      </form>
    </Modal>
  );
}

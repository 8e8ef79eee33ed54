import { type KeyboardEvent, useEffect, useRef } from "react";
import { IconPhoto } from "../parts/icons";
import { joinParts, nameOf, partsOf } from "../parts/partTexts";
import css from "./PartsBox.module.css";

interface Props {
  field: string;
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** The texts of the images or links of a page while they are edited: each a row of its own, the first that lacks one in hand. */
export function PartsBox({ field, label, value, onChange }: Props) {
  const list = useRef<HTMLUListElement>(null);
  const parts = partsOf(value);
  useEffect(() => {
    const boxes = [...(list.current?.querySelectorAll("input") ?? [])];
    (boxes.find((box) => box.value === "") ?? boxes[0])?.focus();
  }, []);
  const set = (at: number, text: string | null) =>
    onChange(joinParts(parts.map((part, i) => (i === at ? { ...part, text } : part))));
  const go = (event: KeyboardEvent<HTMLInputElement>) => {
    const step = { ArrowDown: 1, ArrowUp: -1, Tab: event.shiftKey ? -1 : 1 }[event.key];
    const boxes = [...(list.current?.querySelectorAll("input") ?? [])];
    const next = step && boxes[boxes.indexOf(event.currentTarget) + step];
    if (!next) return;
    next.focus();
    event.preventDefault();
    event.stopPropagation();
  };
  const images = field === "images";
  return (
    <ul ref={list} className={css.list} aria-label={label}>
      {parts.map(({ address, text }, at) => (
        <li key={`${at} ${address}`}>
          {images && (
            <span className={css.thumb}>
              <IconPhoto size={16} />
            </span>
          )}
          <span className={css.name} title={address}>
            {nameOf(address)}
          </span>
          <input
            aria-label={`${images ? "Alt text of" : "Text of the link to"} ${nameOf(address)}`}
            placeholder={text === null ? "none" : images ? "decoration" : "none"}
            value={text ?? ""}
            onKeyDown={go}
            onChange={(event) => set(at, event.currentTarget.value)}
          />
          {images && (
            <button
              type="button"
              tabIndex={-1}
              aria-pressed={text === ""}
              title="An empty alt text: screen readers pass over it"
              onClick={() => set(at, text === "" ? null : "")}
            >
              decoration
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

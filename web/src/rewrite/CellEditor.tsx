import { useDebouncedValue } from "@mantine/hooks";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import {
  type CSSProperties,
  type KeyboardEvent,
  type RefObject,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
} from "react";
import { createPortal } from "react-dom";
import { type Appearance, answer, api, type ItemRow, type LimitCheck } from "../api/client";
import { fieldLabel, inForce, isOfParts } from "../parts/fields";
import { count, of } from "../parts/number";
import { ResultPreview } from "../parts/ResultPreview";
import { CutLines } from "../parts/TrueMeasure";
import { useLooks } from "../parts/useLooks";
import { useResultExtras } from "../parts/useResultExtras";
import css from "./CellEditor.module.css";
import { PartsBox } from "./PartsBox";
import { SwitchBox } from "./SwitchBox";

interface Props {
  propertyId: number;
  row: ItemRow;
  field: string;
  value: string;
  onChange: (value: string) => void;
}

type Box = HTMLInputElement | HTMLTextAreaElement;

/** What the frame adds around the text, and how far it keeps from the edge of the window, in px. */
const FRAME = 26;
const MARGIN = 8;

/** A text while it is typed: over its cell, at the size of the result page, with the result as it will look below. */
export function CellEditor({ propertyId, row, field, value, onChange }: Props) {
  const anchor = useRef<HTMLSpanElement>(null);
  const input = useRef<Box>(null);
  useEffect(() => {
    input.current?.focus();
    input.current?.setSelectionRange(input.current.value.length, input.current.value.length);
  }, []);
  const keyword = row.aim?.keyword ?? "";
  const texts = {
    title: field === "title" ? value : inForce(row.title),
    description: field === "description" ? value : inForce(row.description),
  };
  const extras = useResultExtras(row);
  const looks = useLooks(propertyId, row.id, texts.title, texts.description, keyword, extras.date);
  const measured = field === "title" || field === "description" ? field : undefined;
  const look = measured && looks.data?.[measured];
  // Until the first answer the text is as the table has it.
  const fit = look?.fit ?? (measured && row[measured].fit);
  const { found, next } = useFound(row.id, measured, value);
  const follows = useFollows(row.id, field, value);
  const [chosen, setChosen] = useState<number>();
  const proposed = chosen === undefined ? [] : (next ?? []);
  const insert = (text: string) => {
    onChange(`${text} `);
    setChosen(undefined);
    input.current?.focus();
  };
  const onKeys = (event: KeyboardEvent) => {
    if (event.key === " " && event.ctrlKey && measured) setChosen(0);
    else if (chosen === undefined || proposed.length === 0) return;
    else if (event.key === "ArrowDown") setChosen(Math.min(proposed.length - 1, chosen + 1));
    else if (event.key === "ArrowUp") setChosen(Math.max(0, chosen - 1));
    else if (event.key === "Enter" || event.key === "Tab") insert(proposed[chosen].text);
    else if (event.key === "Escape") setChosen(undefined);
    else {
      setChosen(undefined);
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  };
  const frame = useRef<HTMLDivElement>(null);
  const place = usePlace(anchor, frame);
  const listing = row.tags !== null;
  const label = `${fieldLabel(field)} of ${row.address}`;
  return (
    <span ref={anchor} className={css.anchor}>
      {createPortal(
        <div ref={frame} className={css.frame} style={place} onKeyDownCapture={onKeys}>
          {fit ? (
            <Measured input={input} label={label} value={value} fit={fit} onChange={onChange} />
          ) : field === "indexing" ? (
            <SwitchBox label={label} value={value} onChange={onChange} />
          ) : isOfParts(field) ? (
            <PartsBox field={field} label={label} value={value} onChange={onChange} />
          ) : (
            <textarea
              ref={input as RefObject<HTMLTextAreaElement>}
              className={css.plain}
              rows={2}
              aria-label={label}
              value={value}
              onKeyDown={(event) => breakLine(event, onChange)}
              onChange={(event) => onChange(event.currentTarget.value)}
            />
          )}
          {look && (
            <p className={css.facts}>
              <Widths fit={look.fit} />
              {look.fit.says && <b>{look.fit.says}</b>}
              <KeywordWords words={look.keyword} />
            </p>
          )}
          {proposed.length > 0 && (
            <div className={css.next} role="listbox" aria-label="Words to go on with">
              {proposed.map((each, i) => (
                <div
                  key={each.word}
                  role="option"
                  tabIndex={-1}
                  aria-selected={i === chosen}
                  onMouseDown={(event) => {
                    event.preventDefault();
                    insert(each.text);
                  }}
                >
                  <b>{each.word}</b>
                  <span>
                    {each.ofKeyword && "of the keyword, "}
                    {each.gained > 0 && `${count(Math.round(each.gained))} searches a month more, `}
                    {count(Math.round(each.px))} px{!each.fits && ", too long"}
                  </span>
                </div>
              ))}
            </div>
          )}
          {looks.data && look && (
            <div className={css.results}>
              <ResultPreview
                looks={looks.data}
                address={row.address}
                device="desktop"
                wide={listing}
                below={extras.below}
              />
              <ResultPreview
                looks={looks.data}
                address={row.address}
                device="phone"
                wide={listing}
                below={extras.below}
              />
            </div>
          )}
          {follows && <p className={css.follows}>{follows}</p>}
          {found && found.length > 0 && (
            <ul className={css.found} aria-label="What would be found of it">
              {found.map((each) => (
                <li key={each.label}>
                  <b>{each.label.replace(`${field} `, "")}</b> {each.evidence}
                </li>
              ))}
            </ul>
          )}
        </div>,
        document.body,
      )}
    </span>
  );
}

/** What would be found of a text as it stands, once the typing pauses: what it repeats, of whom, and what it lacks. */
function useFound(itemId: number, field: "title" | "description" | undefined, value: string) {
  const [asked] = useDebouncedValue(value, 250);
  const { data } = useQuery({
    queryKey: ["found", itemId, field, asked],
    queryFn: ({ signal }) =>
      answer(
        api.POST("/api/items/{id}/wordings", {
          params: { path: { id: itemId } },
          body: { field: field ?? "title", texts: [asked] },
          signal,
        }),
      ),
    enabled: field !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 10_000,
  });
  // What was asked of another text proposes nothing for this one.
  const current = data?.wordings[0].text === value;
  return { found: data?.wordings[0].found, next: current ? data?.next : undefined };
}

/** What would follow where a page gets another slug or is switched on or off, in words. */
function useFollows(itemId: number, field: string, value: string) {
  const [after] = useDebouncedValue(value, 250);
  const { data } = useQuery({
    queryKey: ["follows", itemId, field, field === "slug" ? "" : after],
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/items/{id}/consequences", {
          params: { path: { id: itemId }, query: { field: field as "slug" | "indexing", after } },
          signal,
        }),
      ),
    enabled: field === "slug" || field === "indexing",
    gcTime: 10_000,
  });
  return data?.says;
}

/** Enter saves, so that alt+Enter is what begins a line, as in spreadsheets. */
function breakLine(event: KeyboardEvent<HTMLTextAreaElement>, onChange: (value: string) => void) {
  if (event.key !== "Enter" || !event.altKey) return;
  event.preventDefault();
  event.stopPropagation();
  const box = event.currentTarget;
  box.setRangeText("\n", box.selectionStart, box.selectionEnd, "end");
  onChange(box.value);
}

interface MeasuredProps {
  input: RefObject<Box | null>;
  label: string;
  value: string;
  fit: LimitCheck;
  onChange: (value: string) => void;
}

/** The text at the size that it has on a desktop, with the places where it is cut. */
function Measured({ input, label, value, fit, onChange }: MeasuredProps) {
  // The notches stand in the text, and move with it.
  const [scrolled, setScrolled] = useState(0);
  const style = {
    "--size": `${fit.sizePx}px`,
    "--line": `${fit.desktopLimit / fit.desktopLines}px`,
    "--desktop": `${fit.desktopLimit - scrolled}px`,
    "--phone": `${fit.phoneLimit - scrolled}px`,
    "--over": `${Math.max(0, Math.ceil(fit.px - fit.desktopLimit))}px`,
  } as CSSProperties;
  if (fit.desktopLines > 1) {
    return (
      <div className={css.lines} style={style}>
        <div className={css.marks} style={{ transform: `translateY(${-scrolled}px)` }} aria-hidden="true">
          <CutLines text={value} fit={fit} />
        </div>
        <textarea
          ref={input as RefObject<HTMLTextAreaElement>}
          rows={Math.min(8, fit.desktopLines + 2)}
          aria-label={label}
          value={value}
          onScroll={(event) => setScrolled(event.currentTarget.scrollTop)}
          onKeyDown={(event) => breakLine(event, onChange)}
          onChange={(event) => onChange(event.currentTarget.value)}
        />
      </div>
    );
  }
  return (
    <div className={css.line} style={style}>
      <input
        ref={input as RefObject<HTMLInputElement>}
        aria-label={label}
        value={value}
        onScroll={(event) => setScrolled(event.currentTarget.scrollLeft)}
        onChange={(event) => onChange(event.currentTarget.value)}
      />
      <i className={css.desktop} />
      <i className={css.phone} />
      <i className={css.over} />
    </div>
  );
}

function Widths({ fit }: { fit: LimitCheck }) {
  const phone = fit.phoneSizePx / fit.sizePx;
  const px = (width: number, limit: number) => `${count(Math.round(width))} of ${count(Math.round(limit))} px`;
  return (
    <span>
      desktop {px(fit.px, fit.desktopLimit)}, mobile {px(fit.px * phone, fit.phoneLimit * phone)},{" "}
      {of(fit.chars, "character")}
    </span>
  );
}

/** The words of the keyword, ticked once they are there. */
function KeywordWords({ words }: { words: Appearance["keyword"] }) {
  return (
    <span className={css.keyword}>
      {words.map(({ text, present }, i) => (
        <span key={i} className={present ? css.there : css.lacking}>
          {text}
          <span className={css.hidden}>{present ? " is there" : " is missing"}</span>
        </span>
      ))}
    </span>
  );
}

/** Over the cell, but within the window; it goes along when the table is scrolled. */
function usePlace(anchor: RefObject<HTMLElement | null>, frame: RefObject<HTMLElement | null>) {
  const [place, setPlace] = useState<{ left: number; top: number }>({ left: 0, top: 0 });
  useLayoutEffect(() => {
    const settle = () => {
      const cell = anchor.current?.getBoundingClientRect();
      const box = frame.current?.getBoundingClientRect();
      if (!cell || !box) return;
      const left = Math.max(MARGIN, Math.min(cell.left - FRAME / 2, window.innerWidth - box.width - MARGIN));
      const top = Math.max(MARGIN, Math.min(cell.top - FRAME / 4, window.innerHeight - box.height - MARGIN));
      setPlace((now) => (now.left === left && now.top === top ? now : { left, top }));
    };
    settle();
    const sized = new ResizeObserver(settle);
    if (frame.current) sized.observe(frame.current);
    window.addEventListener("scroll", settle, true);
    window.addEventListener("resize", settle);
    return () => {
      sized.disconnect();
      window.removeEventListener("scroll", settle, true);
      window.removeEventListener("resize", settle);
    };
  }, [anchor, frame]);
  return place;
}

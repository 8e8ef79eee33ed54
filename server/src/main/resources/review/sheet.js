(() => {
  "use strict";
  const sheet = JSON.parse(document.getElementById("sheet").textContent);
  const key = `review ${sheet.sheet}`;
  const decided = new Map();
  const main = document.querySelector("main");

  const element = (name, attributes, ...children) => {
    const made = document.createElement(name);
    for (const [attribute, value] of Object.entries(attributes ?? {})) {
      if (attribute.startsWith("on")) made.addEventListener(attribute.slice(2), value);
      else if (value !== undefined && value !== false) made.setAttribute(attribute, value === true ? "" : value);
    }
    made.append(...children.filter((child) => child !== undefined && child !== null));
    return made;
  };

  // A browser may keep nothing of a page that is opened from a file; then nothing is lost while it stays open.
  const remember = () => {
    try {
      localStorage.setItem(key, JSON.stringify([...decided]));
    } catch {}
  };
  const recall = () => {
    try {
      for (const [id, what] of JSON.parse(localStorage.getItem(key) ?? "[]")) decided.set(id, what);
    } catch {}
  };

  const drawn = (text, at, end, before) => {
    if (text === "") return element("div", { class: "plain before" }, "none");
    const { size, width, lines } = at;
    const box = element("div", { class: lines === 1 ? "drawn one" : "drawn" }, text.slice(0, end));
    if (end < text.length) box.append(element("i", {}, text.slice(end)));
    box.style.fontSize = `${size}px`;
    box.style.lineHeight = `${Math.round(size * 1.4)}px`;
    if (lines > 1) box.style.width = `${width}px`;
    else {
      const notch = element("span", { class: "notch" });
      notch.style.left = `${width}px`;
      box.style.minWidth = `${width + 1}px`;
      box.append(notch);
    }
    if (before) box.classList.add("before");
    return box;
  };

  const shown = (text, which) => {
    const what = which === "before" ? text.before : text.after;
    if (text.drawn) return drawn(what, text.drawn, text.drawn[which], which === "before");
    return element("div", { class: which === "before" ? "plain before" : "plain" }, what || "none");
  };

  const CHOICES = [
    ["approve", "Approve"],
    ["send-back", "Send back"],
    ["reword", "Reword"],
  ];

  const cards = new Map();

  const decide = (text, change) => {
    const next = { ...decided.get(text.id), ...change };
    if (next.decision === undefined) decided.delete(text.id);
    else decided.set(text.id, next);
    remember();
    draw(text);
    count();
  };

  const draw = (text) => {
    const now = decided.get(text.id) ?? {};
    const card = cards.get(text.id);
    card.classList.toggle("done", now.decision !== undefined);
    for (const button of card.querySelectorAll("[data-choice]")) {
      button.setAttribute("aria-pressed", String(button.dataset.choice === now.decision));
    }
    const wording = card.querySelector("textarea");
    wording.hidden = now.decision !== "reword";
    if (wording.value !== (now.text ?? text.after)) wording.value = now.text ?? text.after;
    const note = card.querySelector("input");
    note.hidden = now.decision === undefined || now.decision === "approve";
    if (note.value !== (now.note ?? "")) note.value = now.note ?? "";
  };

  const cardOf = (text) => {
    const card = element(
      "article",
      { "aria-label": `${text.label} of ${text.address}` },
      element("h3", {}, `${text.label} · ${text.address}`),
      element(
        "div",
        { class: "texts" },
        element("div", {}, element("span", { class: "tag" }, "now"), shown(text, "before")),
        element("div", {}, element("span", { class: "tag" }, "proposed"), shown(text, "after")),
      ),
      element(
        "div",
        { class: "what" },
        ...CHOICES.filter(([choice]) => choice !== "reword" || text.reword).map(([choice, label]) =>
          element(
            "button",
            {
              type: "button",
              "data-choice": choice,
              onclick: () =>
                decide(text, { decision: decided.get(text.id)?.decision === choice ? undefined : choice }),
            },
            label,
          ),
        ),
      ),
      element("textarea", {
        rows: text.field === "title" ? 1 : 3,
        "aria-label": "Your wording",
        oninput: (event) => decide(text, { text: event.target.value }),
      }),
      element("input", {
        placeholder: "A note, if you like",
        "aria-label": "Note",
        maxlength: 2000,
        oninput: (event) => decide(text, { note: event.target.value }),
      }),
    );
    cards.set(text.id, card);
    return card;
  };

  const progress = element("p", { role: "status" });
  const save = element("button", { type: "button", class: "save", onclick: () => download() }, "Save what was decided");

  const count = () => {
    progress.textContent = `${decided.size} of ${sheet.texts.length} decided`;
    save.disabled = decided.size === 0;
  };

  const download = () => {
    const decisions = [...decided].map(([id, { decision, text, note }]) => ({
      id,
      decision,
      text: decision === "reword" ? (text ?? sheet.texts.find((each) => each.id === id).after) : undefined,
      // What is out of sight is not said.
      note: decision === "approve" ? undefined : note || undefined,
    }));
    const file = new Blob([JSON.stringify({ sheet: sheet.sheet, decisions }, null, 1)], { type: "application/json" });
    const link = element("a", { href: URL.createObjectURL(file), download: `decided-${sheet.sheet.slice(0, 8)}.json` });
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
  };

  const sections = new Map();
  for (const text of sheet.texts) {
    if (!sections.has(text.section)) sections.set(text.section, []);
    sections.get(text.section).push(text);
  }

  recall();
  document.body.prepend(
    element(
      "header",
      {},
      element(
        "div",
        {},
        element("h1", {}, `Texts for ${sheet.client}`),
        element("p", {}, `${sheet.property}, ${sheet.made}. Decide here, save the file, and send it back.`),
      ),
      progress,
      save,
    ),
  );
  for (const [section, texts] of sections) {
    main.append(
      element(
        "h2",
        {},
        section || "Other",
        element(
          "button",
          {
            type: "button",
            onclick: () => {
              for (const text of texts) if (!decided.has(text.id)) decide(text, { decision: "approve" });
            },
          },
          texts.length === 1 ? "Approve it" : `Approve all ${texts.length}`,
        ),
      ),
      ...texts.map(cardOf),
    );
  }
  sheet.texts.forEach(draw);
  count();
})();

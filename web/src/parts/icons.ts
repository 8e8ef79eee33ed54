export { default as IconArrowDown } from "@tabler/icons-react/dist/esm/icons/IconArrowDown.mjs";
export { default as IconArrowUp } from "@tabler/icons-react/dist/esm/icons/IconArrowUp.mjs";
export { default as IconChevronDown } from "@tabler/icons-react/dist/esm/icons/IconChevronDown.mjs";
export { default as IconDownload } from "@tabler/icons-react/dist/esm/icons/IconDownload.mjs";
export { default as IconHelp } from "@tabler/icons-react/dist/esm/icons/IconHelp.mjs";
export { default as IconMoon } from "@tabler/icons-react/dist/esm/icons/IconMoon.mjs";
export { default as IconPaperclip } from "@tabler/icons-react/dist/esm/icons/IconPaperclip.mjs";
export { default as IconX } from "@tabler/icons-react/dist/esm/icons/IconX.mjs";

import { createTheme, type MantineColorsTuple } from "@mantine/core";
import css from "./theme.module.css";

const plum: MantineColorsTuple = [
  "#f8edf4",
  "#efdae7",
  "#e3bdd6",
  "#d69bc3",
  "#c579ae",
  "#ad5393",
  "#8f3877",
  "#72245c",
  "#5b1949",
  "#431036",
];

/** Warm greys and darks, so that nothing falls out of paper and ink. */
const gray: MantineColorsTuple = [
  "#f7f3ea",
  "#f2ece0",
  "#eae2d3",
  "#e0d7c7",
  "#d0c5b1",
  "#b3a78f",
  "#877b67",
  "#5f564a",
  "#3b342b",
  "#1e1a15",
];

const dark: MantineColorsTuple = [
  "#f0e9dd",
  "#d8cfc0",
  "#b8ad9c",
  "#8d8171",
  "#6d6253",
  "#4a4138",
  "#2e2822",
  "#1f1b17",
  "#181511",
  "#100e0b",
];

export const theme = createTheme({
  primaryColor: "plum",
  primaryShade: { light: 7, dark: 6 },
  autoContrast: true,
  colors: { plum, gray, dark },
  white: "#fffdf9",
  black: "#1e1a15",
  fontFamily: '"IBM Plex Sans", sans-serif',
  fontSizes: { xs: "12px", sm: "13px", md: "14px", lg: "16px", xl: "18px" },
  headings: { fontFamily: '"Schibsted Grotesk Variable", sans-serif', fontWeight: "650" },
  defaultRadius: 2,
  cursorType: "pointer",
  respectReducedMotion: true,
  components: {
    ActionIcon: { classNames: { root: css.icon } },
    Button: {
      defaultProps: { size: "sm" },
      styles: { label: { fontWeight: 500 } },
      classNames: { loader: css.loader },
    },
    TextInput: { defaultProps: { size: "sm" } },
    NumberInput: { defaultProps: { size: "sm" } },
    Textarea: { defaultProps: { size: "sm" } },
    NativeSelect: { defaultProps: { size: "sm" } },
    InputWrapper: { styles: { description: { color: "var(--ink-soft)" }, required: { color: "var(--ink-soft)" } } },
    Notification: { styles: { description: { color: "var(--ink-soft)" } } },
    Modal: {
      defaultProps: {
        centered: true,
        overlayProps: { backgroundOpacity: 0.35 },
        closeButtonProps: { "aria-label": "Close" },
      },
    },
  },
});

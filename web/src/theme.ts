import {
  type CSSVariablesResolver,
  createTheme,
  Drawer,
  defaultVariantColorsResolver,
  type MantineColorsTuple,
  Modal,
  type VariantColorsResolver,
} from "@mantine/core";

// Threads of the product. Each runs from pale to deep; 6 is the thread itself.
const madder: MantineColorsTuple = [
  "#faeeec",
  "#f1d9d5",
  "#e3c9c2",
  "#d39f9b",
  "#c37a77",
  "#b35957",
  "#a23b3c",
  "#8a3031",
  "#712628",
  "#571d1f",
];
const kelp: MantineColorsTuple = [
  "#eef3ea",
  "#dfe8d8",
  "#d5dfc9",
  "#a9c1a5",
  "#7fa589",
  "#54886f",
  "#2f6a52",
  "#265a45",
  "#1e4a38",
  "#163a2b",
];
const slate: MantineColorsTuple = [
  "#eef2f5",
  "#dde6ec",
  "#cfdbe2",
  "#a8bccb",
  "#809db2",
  "#5d7f98",
  "#3d6080",
  "#34536f",
  "#2a445c",
  "#203549",
];
const ochre: MantineColorsTuple = [
  "#fbf3df",
  "#f5e6c2",
  "#ecd49b",
  "#dcb765",
  "#c99a3c",
  "#b07f22",
  "#8a5f12",
  "#74500f",
  "#5e410c",
  "#483209",
];
const plum: MantineColorsTuple = [
  "#f4eef4",
  "#e9dfea",
  "#e0d2e2",
  "#c3a9c6",
  "#a684aa",
  "#89628d",
  "#6d4870",
  "#5d3d60",
  "#4c324f",
  "#3b273d",
];
const ink: MantineColorsTuple = [
  "#f1f2f2",
  "#dfe2e3",
  "#c2c8cb",
  "#9aa4a9",
  "#73808a",
  "#4e5c66",
  "#22303a",
  "#1d2932",
  "#172129",
  "#111920",
];

// A filled button is a thread with cloth for its words, in light and in dark.
const threads: Record<string, string> = { ink: "var(--ink)", kelp: "var(--kelp)", madder: "var(--red)" };
const variantColorResolver: VariantColorsResolver = (input) => {
  const resolved = defaultVariantColorsResolver(input);
  const thread = threads[input.color ?? "ink"];
  if (input.variant !== "filled" || !thread) return resolved;
  const hover = `color-mix(in srgb, ${thread} 88%, var(--cloth))`;
  return { ...resolved, background: thread, hover, color: "var(--cloth)", hoverColor: "var(--cloth)" };
};

const closeButtonProps = { "aria-label": "Close" };

export const theme = createTheme({
  variantColorResolver,
  components: {
    Modal: Modal.extend({ defaultProps: { closeButtonProps } }),
    Drawer: Drawer.extend({ defaultProps: { closeButtonProps } }),
  },
  colors: { madder, kelp, slate, ochre, plum, ink },
  primaryColor: "ink",
  primaryShade: { light: 6, dark: 2 },
  autoContrast: true,
  luminanceThreshold: 0.4,
  defaultRadius: 3,
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
  headings: { fontFamily: "'Newsreader Variable', serif", fontWeight: "500" },
  fontSizes: { xs: "12.5px", sm: "13.5px", md: "15px", lg: "17px", xl: "21px" },
  respectReducedMotion: true,
  cursorType: "pointer",
});

export const variables: CSSVariablesResolver = () => ({
  variables: {},
  light: {
    "--mantine-color-body": "#f3eee4",
    "--mantine-color-text": "#22303a",
    "--mantine-color-dimmed": "#566269",
    "--mantine-color-default": "#fdfbf6",
    "--mantine-color-default-color": "#22303a",
    "--mantine-color-default-border": "#c3b698",
    "--mantine-color-default-hover": "#f6f0e3",
    "--mantine-color-placeholder": "#6f6a5e",
    "--mantine-color-error": "#a23b3c",
    "--linen": "#f3eee4",
    "--weave": "#d9cfb81f",
    "--cloth": "#faf7f0",
    "--basting": "#cdbf9f",
    "--weft": "#e4dccb",
    "--ink": "#22303a",
    "--soft": "#566269",
    "--red": "#a23b3c",
    "--ochre": "#855a0e",
    "--kelp": "#2f6a52",
    "--slate": "#3d6080",
    "--plum": "#6d4870",
    "--red-cloth": "#e3c9c2",
    "--kelp-cloth": "#d5dfc9",
    "--slate-cloth": "#cfdbe2",
    "--plum-cloth": "#e0d2e2",
    "--ochre-cloth": "#fbf3df",
    "--leaf": "#cbdabd",
    "--leaf-old": "#e6d9ab",
    "--bulb": "#d9e2ca",
    "--soil": "#cbbd9c",
    "--pot": "#faf7f0",
    "--pot-rim": "#efe7d6",
    "--pale": "#b9b2a2",
  },
  dark: {
    "--mantine-color-body": "#1b2023",
    "--mantine-color-text": "#ece5d8",
    "--mantine-color-dimmed": "#a9b0b0",
    "--mantine-color-default": "#22282b",
    "--mantine-color-default-color": "#ece5d8",
    "--mantine-color-default-border": "#5b5a4f",
    "--mantine-color-default-hover": "#2b3235",
    "--mantine-color-placeholder": "#9a9a90",
    "--mantine-color-error": "#e48d88",
    "--linen": "#1b2023",
    "--weave": "#ffffff06",
    "--cloth": "#232a2d",
    "--basting": "#5f5a4b",
    "--weft": "#39403f",
    "--ink": "#ece5d8",
    "--soft": "#a9b0b0",
    "--red": "#e48d88",
    "--ochre": "#dcb765",
    "--kelp": "#8fc0a3",
    "--slate": "#9dbdd6",
    "--plum": "#cfa9d2",
    "--red-cloth": "#4a2c2c",
    "--kelp-cloth": "#2c4036",
    "--slate-cloth": "#2a3b47",
    "--plum-cloth": "#3f2f42",
    "--ochre-cloth": "#39301c",
    "--leaf": "#3c5443",
    "--leaf-old": "#5a5030",
    "--bulb": "#41563f",
    "--soil": "#6b6350",
    "--pot": "#2a3033",
    "--pot-rim": "#353b3c",
    "--pale": "#6b7274",
  },
});

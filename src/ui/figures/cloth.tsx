import { fillOf } from "./substance";

/** A tied cloth on its string, with the marc in it. */
export function ClothFigure({ title }: { title: string }) {
  return (
    <svg width="150" height="330" viewBox="0 0 150 330" role="img" aria-label={title} className="shrink-0">
      <path d="M76 0V92" stroke="var(--color-iron)" strokeWidth="1.6" />
      <path
        d="M62 118C46 104 34 96 22 94C34 90 52 96 66 104C68 90 72 84 76 84C80 84 84 90 86 104C98 96 116 88 126 82C124 96 108 108 90 118Z"
        fill="var(--color-white)"
        stroke="var(--color-iron)"
        strokeWidth="2"
        strokeLinejoin="round"
      />
      <path
        d="M64 120C40 158 6 208 6 256C6 296 38 322 76 322C114 322 146 296 146 256C146 208 112 158 88 120Z"
        fill="var(--color-white)"
        stroke="var(--color-iron)"
        strokeWidth="2.2"
      />
      <path
        d="M22 218C36 204 52 222 76 216C98 210 116 222 132 216C138 232 138 248 136 262C132 296 106 312 76 312C46 312 18 296 16 260C14 246 16 230 22 218Z"
        fill={fillOf("marc")}
        stroke="var(--color-iron)"
        strokeWidth="1.4"
      />
      <path
        d="M68 124C60 150 48 176 40 198M76 124V204M84 124C92 150 104 176 112 198"
        stroke="var(--color-rule)"
        strokeWidth="1.4"
        fill="none"
      />
      <rect
        x="60"
        y="112"
        width="32"
        height="12"
        fill="var(--color-rubber)"
        stroke="var(--color-iron)"
        strokeWidth="1"
      />
    </svg>
  );
}

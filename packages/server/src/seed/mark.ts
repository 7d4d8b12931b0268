/** The mark of the Row: a kiln with its door open, drawn for this project. */
export const MARK_SVG = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 120" width="120mm" height="120mm">
<title>Mark of the Row</title>
<style>.kiln{fill:#b45f3c}.door{fill:#2f2c2b}.flame{fill:#ff7a2a}\
.line{fill:none;stroke:#f7e8c9;stroke-width:5;stroke-linecap:round}</style>
<circle class="kiln" cx="60" cy="60" r="56"/>
<path class="door" d="M34 92V58a26 26 0 0 1 52 0v34z"/>
<path class="flame" d="M60 86c-13 0-17-10-13-20 2 4 4 5 6 5-3-9 2-17 9-23-1 8 9 12 11 22 2 9-3 16-13 16z"/>
<path class="line" d="M24 98q9-7 18 0t18 0 18 0 18 0"/>
</svg>`;

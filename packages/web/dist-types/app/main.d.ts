import '@fontsource-variable/instrument-sans';
import '@fontsource-variable/source-serif-4';
import '@mantine/core/styles.css';
import './tokens.css';
//# sourceMappingURL=main.d.ts.map

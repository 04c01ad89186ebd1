import { resolve } from "node:path";
import ts from "typescript";
import { expect, test } from "vitest";

const FORM = `
import { bed } from "@/records/bed/bed";
import { stand } from "@/records/stand/stand";
import { CommandForm } from "@/screens/common/command";
import { RecordForm } from "@/screens/common/RecordForm";
import { COVERS, SOWN_IN } from "@/screens/common/standNames";
const said = { draft: "a", submit: "Save", units: "metric" } as const;
`;

/** Forms with the words of the error that each must not compile for; null where it compiles. */
const FORMS: [form: string, wrong: RegExp | null][] = [
  ['<RecordForm of={stand} command="stand.change" {...said} fields={["plants", "sown"]} />', null],
  ['<RecordForm of={stand} command="stand.change" {...said} fields={["latitude"]} />', /latitude/],
  // A column of another record, and one that the command does not take.
  ['<RecordForm of={bed} command="stand.change" {...said} fields={["width"]} />', /never/],
  ['<RecordForm of={stand} command="stand.change" {...said} fields={["endedWhy"]} />', /endedWhy/],
  ['<RecordForm of={stand} command="stand.change" {...said} fields={[]} more={{ Rest: ["latitude"] }} />', /latitude/],
  // Codes without words, or with the words of others.
  ['<RecordForm of={stand} command="stand.change" {...said} fields={["sownIn"]} />', /words/],
  [
    '<RecordForm of={stand} command="stand.change" {...said} fields={["sownIn"]} words={{ sownIn: COVERS }} />',
    /ground/,
  ],
  ['<RecordForm of={stand} command="stand.change" {...said} fields={["sownIn"]} words={{ sownIn: SOWN_IN }} />', null],
  [
    '<CommandForm command="stand.end" draft="a" submit="Save" values={{ why: null }}>{(Field) => <Field name="why" label="Why" />}</CommandForm>',
    null,
  ],
  [
    '<CommandForm command="stand.end" draft="a" submit="Save" values={{ why: null }}>{(Field) => <Field name="latitude" label="Latitude" />}</CommandForm>',
    /latitude/,
  ],
  [
    '<CommandForm command="stand.end" draft="a" submit="Save" values={{ latitude: null }}>{() => null}</CommandForm>',
    /latitude|never/,
  ],
];

test("a form with a name that is no field of its record and command, or with codes without words, does not compile", () => {
  const file = resolve("src/screens/planted.tsx");
  const text = `${FORM}${FORMS.map(([form], i) => `export const form${i} = () => ${form};`).join("\n")}\n`;
  const { config } = ts.readConfigFile("tsconfig.json", ts.sys.readFile);
  const { options } = ts.parseJsonConfigFileContent(config, ts.sys, ".");
  const host = ts.createCompilerHost(options);
  const read = host.getSourceFile.bind(host);
  host.getSourceFile = (name, language, ...rest) =>
    name === file ? ts.createSourceFile(name, text, language) : read(name, language, ...rest);
  const exists = host.fileExists.bind(host);
  host.fileExists = (name) => name === file || exists(name);
  const program = ts.createProgram([file, resolve("next-env.d.ts")], { ...options, incremental: false }, host);
  const source = program.getSourceFile(file)!;
  const found = program.getSemanticDiagnostics(source).map(({ start, messageText }) => ({
    line: source.getLineAndCharacterOfPosition(start!).line - FORM.split("\n").length + 1,
    words: ts.flattenDiagnosticMessageText(messageText, "\n"),
  }));
  FORMS.forEach(([form, wrong], i) => {
    const words = found.filter(({ line }) => line === i).map((one) => one.words);
    if (wrong) expect(words.join("\n"), form).toMatch(wrong);
    else expect(words, form).toEqual([]);
  });
});

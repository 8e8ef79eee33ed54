package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.server.command.LucidCommand;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.KeywordFile;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The command line: what it writes, and one clear line where it cannot. */
class CommandTest {

    @TempDir
    private Path folder;

    private record Outcome(int status, String errors) {}

    private static Outcome run(String... words) {
        PrintStream before = System.err;
        ByteArrayOutputStream errors = new ByteArrayOutputStream();
        System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
        try {
            return new Outcome(LucidCommand.run(words), errors.toString(StandardCharsets.UTF_8));
        } finally {
            System.setErr(before);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "polish                                        | 2 | there is no command \"polish\"",
                "sweep                                         | 2 | expected one address to sweep, got 0",
                "sweep nowhere --out x                         | 2 | expected an address such as https://example.com/, got \"nowhere\"",
                "sweep https://a.example/                      | 2 | --out is needed",
                "sweep https://a.example/ --out                | 2 | --out needs a value",
                "sweep https://a.example/ --width 3            | 2 | there is no option --width",
                "sweep https://a.example/ --out x --rate none  | 2 | --rate: expected a number from 0.02 to 100000, got \"none\"",
                "sweep https://a.example/ --out x --depth 1.5  | 2 | --depth: expected a number from 0 to 100, got \"1.5\"",
                "measure --as heading                          | 2 | expected title or description, got \"heading\"",
            })
    void whatCannotBeRunIsSaidInOneLine(String words, int status, String says) {
        Outcome outcome = run(words.strip().split("\\s+"));
        assertThat(outcome.status).isEqualTo(status);
        assertThat(outcome.errors).startsWith("lucid: ").contains(says).hasLineCount(1);
    }

    @Test
    void filesAndNumbersAreCheckedBeforeTheSweep() throws IOException {
        String out = folder.resolve("out").toString();
        assertThat(run("sweep", "https://a.example/", "--out", out, "--limit", "many").errors)
                .contains("expected a number from 1 to 500000, got \"many\"");
        assertThat(run("sweep", "https://a.example/", "--out", out, "--keywords", "none.csv").errors)
                .contains("cannot read the file none.csv");
        Path binary = Files.write(folder.resolve("binary.csv"), new byte[] {0, 1, 2, 3, 0, 0});
        Outcome refused = run("sweep", "https://a.example/", "--out", out, "--keywords", binary.toString());
        assertThat(refused.status).isEqualTo(2);
        assertThat(refused.errors).contains("this is no text file").hasLineCount(1);
        Path file = Files.createFile(folder.resolve("file"));
        assertThat(run(
                                "sweep",
                                "https://a.example/",
                                "--out",
                                file.resolve("below").toString())
                        .errors)
                .contains("cannot make the folder");
    }

    @Test
    void readsAFileAsTheImportWould() throws IOException {
        Path file = Files.writeString(
                folder.resolve("shop.csv"),
                "id;title;price;views;colour\n1;\u201cAsh\u201d paddle;45,00;1.3K;red\n2;Oak;dear;1;red\n;;;;\n",
                Charset.forName("windows-1252"));
        PrintStream before = System.out;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        try {
            assertThat(run("read", file.toString(), "--kind", "listings", "--out", folder.toString()).status)
                    .isZero();
        } finally {
            System.setOut(before);
        }
        assertThat(said)
                .hasToString("rows 1 unreadable 2 unknown-columns 1 encoding windows-1252 delimiter semicolon\n");
        assertThat(Files.readAllLines(folder.resolve("rows.csv")))
                .containsExactly(
                        "address,title,description,tags,published,group,price,views,favourites",
                        "1,\u201cAsh\u201d paddle,,,,,45.00,1300,");
        assertThat(Files.readAllLines(folder.resolve("unreadable.csv")))
                .containsExactly(
                        "line,reason",
                        "3,\"price: expected a number, got “dear”\"",
                        "4,\"there is no id, no address and no title\"");
        Outcome refused = run("read", file.toString(), "--kind", "demand", "--out", folder.toString());
        assertThat(refused.status).isEqualTo(2);
        assertThat(refused.errors).contains("no column looks like the query").hasLineCount(1);
        assertThat(run("read", "--kind", "boats", "x").errors).contains("expected pages, listings, videos");
    }

    @Test
    void aSiteThatCannotBeReachedEndsWithThree() {
        Outcome outcome = run("sweep", "http://127.0.0.1:9/", "--out", folder.toString());
        assertThat(outcome.status).isEqualTo(3);
        assertThat(outcome.errors)
                .isEqualTo("lucid: http://127.0.0.1:9/ cannot be reached: nobody answers at 127.0.0.1:9\n");
    }

    @Test
    void writesItemsAndFindings() throws IOException {
        Path keywords = Files.writeString(folder.resolve("keywords.csv"), new KeywordFile(7).csv());
        Path out = folder.resolve("out");
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            Outcome outcome = run(
                    "sweep",
                    website.address().toString(),
                    "--out",
                    out.toString(),
                    "--keywords",
                    keywords.toString(),
                    "--limit",
                    "150");
            assertThat(outcome.status).as(outcome.errors).isZero();
            List<String> items = Files.readAllLines(out.resolve("items.csv"));
            assertThat(items.get(0))
                    .isEqualTo(
                            "address,status,indexable,title,title_px,title_chars,description,description_px,description_chars,h1,canonical,robots,links_in,depth,keyword");
            assertThat(items.stream().filter(line -> line.contains(",200,")).count())
                    .isEqualTo(150);
            assertThat(items).anyMatch(line -> line.startsWith(website.address() + ",200,yes,Home,53.35,4,"));
            List<String> findings = Files.readAllLines(out.resolve("findings.csv"));
            assertThat(findings.get(0)).isEqualTo("address,field,finding,evidence");
            assertThat(findings).anyMatch(line -> line.startsWith(website.address() + ",title,generic,"));
            assertThat(findings).anyMatch(line -> line.contains(",title,off-keyword,"));
        }
    }
}

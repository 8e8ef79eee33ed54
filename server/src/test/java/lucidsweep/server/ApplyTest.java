package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import lucidsweep.server.command.LucidCommand;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** {@code ./lucid apply}: texts rewritten in files, and every other byte as before. */
class ApplyTest {

    private static final String DRAFTS = """
            address,field,before,after
            https://tarrin.example/,title,Home,Kayak hire in Tarrin Bay
            https://tarrin.example/,description,,"Boats, oars & lessons"
            https://tarrin.example/oars,title,Oars,=Oars of ash
            https://tarrin.example/decks,title,Decks,Decks of cedar
            https://tarrin.example/lost,title,Lost,Found
            https://tarrin.example/oars?page=2,title,Oars,"Oars, page 2"
            https://tarrin.example/oars,images,/a.jpg,/a.jpg	An oar
            """;

    @TempDir
    private Path folder;

    private record Outcome(int status, String out, String errors) {}

    private static Outcome run(String... words) {
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        ByteArrayOutputStream errors = new ByteArrayOutputStream();
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
        try {
            int status = LucidCommand.run(LucidSweep.class, words);
            return new Outcome(status, said.toString(StandardCharsets.UTF_8), errors.toString(StandardCharsets.UTF_8));
        } finally {
            System.setOut(out);
            System.setErr(err);
        }
    }

    private Path file(String name, String content) throws IOException {
        Path file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        return Files.writeString(file, content, StandardCharsets.UTF_8);
    }

    @Test
    void textsAreRewrittenWherePagesStillSayWhatTheyWereMadeFrom() throws IOException {
        Path home = file("site/index.html", "<head>\r\n\t<title>Home</title>\r\n</head><body>\u00e9");
        Path oars = file("site/oars.html", "<title>Oars</title><head></head>");
        Path decks = file("site/decks/index.html", "<head><title>Decks, by the client</title></head>");
        Files.setPosixFilePermissions(oars, PosixFilePermissions.fromString("rw-r-x---"));
        String drafts = file("drafts.csv", DRAFTS).toString();
        String site = folder.resolve("site").toString();

        Outcome dry = run("apply", "--drafts", drafts, "--to", site, "--dry-run");
        assertThat(dry.out).isEqualTo("to be rewritten 3\nchanged meanwhile 1\nnot rewritten 3\n");
        assertThat(home).content().contains("<title>Home</title>");

        Path report = folder.resolve("report.csv");
        Outcome applied = run("apply", "--drafts", drafts, "--to", site, "--report", report.toString());
        assertThat(applied.status).as("not all could be rewritten").isEqualTo(4);
        assertThat(applied.out).isEqualTo("rewritten 3\nchanged meanwhile 1\nnot rewritten 3\n");
        assertThat(applied.errors)
                .contains("lucid: https://tarrin.example/decks, title: the page says “Decks, by the client”")
                .contains("lucid: https://tarrin.example/lost, title: the folder has no file for this address");
        assertThat(home)
                .hasContent(
                        "<head>\r\n\t<title>Kayak hire in Tarrin Bay</title>"
                                + "\r\n\t<meta name=\"description\" content=\"Boats, oars &amp; lessons\">\r\n</head><body>\u00e9");
        assertThat(oars).hasContent("<title>=Oars of ash</title><head></head>");
        assertThat(Files.getPosixFilePermissions(oars)).isEqualTo(PosixFilePermissions.fromString("rw-r-x---"));
        assertThat(decks).content().contains("Decks, by the client");
        assertThat(report).content().contains("https://tarrin.example/,description,rewritten,");

        Outcome again = run("apply", "--drafts", drafts, "--to", site);
        assertThat(again.out).isEqualTo("in place already 3\nchanged meanwhile 1\nnot rewritten 3\n");
    }

    @Test
    void whatTheyWereMadeFromCanComeFromASweep() throws IOException {
        file("site/index.html", "<head><title>Home</title></head>");
        String drafts = file("drafts.csv", "address,field,after\nhttps://tarrin.example/,title,Boats\n")
                .toString();
        String items = file("items.csv", "address,title\nhttps://tarrin.example/,Home\n")
                .toString();
        String site = folder.resolve("site").toString();
        assertThat(run("apply", "--drafts", drafts, "--to", site).errors)
                .isEqualTo(
                        "lucid: " + drafts
                                + ", line 2: what the title of https://tarrin.example/ was made from is not known; --items says it\n");
        Outcome applied = run("apply", "--drafts", drafts, "--items", items, "--to", site);
        assertThat(applied.status).isZero();
        assertThat(applied.out).isEqualTo("rewritten 1\n");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    address,text\\na,b                  | expected the columns address, field, after, got address, text
                    address,field,after\\na,colour,b    | line 2: expected one of [title
                    address,field,after                 | has no texts
                    """)
    void filesThatCannotBeUsedAreSaidInOneLine(String content, String why) throws IOException {
        String drafts = file("drafts.csv", content.replace("\\n", "\n")).toString();
        Outcome refused = run("apply", "--drafts", drafts, "--to", folder.toString());
        assertThat(refused.status).isEqualTo(2);
        assertThat(refused.errors).contains(why).hasLineCount(1);
        assertThat(run("apply", "--drafts", "none.csv", "--to", folder.toString()).errors)
                .isEqualTo("lucid: cannot read the file none.csv\n");
        String good = file("good.csv", DRAFTS).toString();
        assertThat(run(
                                "apply",
                                "--drafts",
                                good,
                                "--to",
                                folder.resolve("nowhere").toString())
                        .errors)
                .startsWith("lucid: there is no folder")
                .hasLineCount(1);
    }
}

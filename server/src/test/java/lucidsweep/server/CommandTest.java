package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
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
            return new Outcome(LucidCommand.run(LucidSweep.class, words), errors.toString(StandardCharsets.UTF_8));
        } finally {
            System.setErr(before);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "polish                                        | 2 | Unmatched argument at index 0: 'polish'",
                "sweep --out x                                 | 2 | Missing required parameter: 'URL'",
                "sweep nowhere --out x                         | 2 | expected an address such as https://example.com/, got \"nowhere\"",
                "sweep https://a.example/                      | 2 | Missing required option: '--out=DIR'",
                "sweep https://a.example/ --out                | 2 | Missing required parameter for option '--out' (DIR)",
                "sweep https://a.example/ --out x --width 3    | 2 | Unknown options: '--width', '3'",
                "sweep https://a.example/ --out x --rate none  | 2 | Invalid value for option '--rate': 'none' is not a double",
                "sweep https://a.example/ --out x --rate 0     | 2 | --rate: expected a number from 0.02 to 100000.0, got 0.0",
                "sweep https://a.example/ --out x --depth 101  | 2 | --depth: expected a number from 0 to 100, got 101",
                "measure --as heading                          | 2 | expected one of [title, description]",
            })
    void whatCannotBeRunIsSaidInOneLine(String words, int status, String says) {
        Outcome outcome = run(words.strip().split("\\s+"));
        assertThat(outcome.status).isEqualTo(status);
        assertThat(outcome.errors).startsWith("lucid: ").contains(says).hasLineCount(1);
    }

    @Test
    void filesAndNumbersAreCheckedBeforeTheSweep() throws IOException {
        String out = folder.resolve("out").toString();
        assertThat(run("sweep", "https://a.example/", "--out", out, "--limit", "0").errors)
                .contains("expected a number from 1 to 500000, got 0");
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
                "id;title;price;views;colour\n1;\u201cAsh\u201d paddle;45,00;1.3K;red\n2;Oak;dear;1;red\n;;;7;\n",
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
        assertThat(said).hasToString("""
                        rows 1 unreadable 2 unknown-columns 1 encoding windows-1252 delimiter semicolon
                        No descriptions were found.
                        No tags were found.
                        """);
        assertThat(Files.readAllLines(folder.resolve("columns.csv")))
                .containsExactly(
                        "name,taken for,sure,sample",
                        "id,id,1.00,1",
                        "title,title,0.96,\u201cAsh\u201d paddle",
                        "price,price,0.85,\"45,00\"",
                        "views,views,1.00,1.3K",
                        "colour,,0.00,red");
        assertThat(Files.readAllLines(folder.resolve("rows.csv")))
                .containsExactly(
                        "address,title,description,tags,published,modified,group,price,views,favourites",
                        "1,\u201cAsh\u201d paddle,,,,,,45.00,1300,");
        assertThat(Files.readAllLines(folder.resolve("unreadable.csv")))
                .containsExactly(
                        "line,reason",
                        "3,\"price: expected a number, got “dear”\"",
                        "4,\"there is no id, no address and no title\"");
        Outcome refused = run("read", file.toString(), "--kind", "demand", "--out", folder.toString());
        assertThat(refused.status).isEqualTo(2);
        assertThat(refused.errors)
                .contains("no column looks like the impressions or clicks")
                .hasLineCount(1);
        assertThat(run("read", "--kind", "boats", "x", "--out", folder.toString()).errors)
                .contains("expected pages, listings, videos");
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
            assertThat(findings.get(0)).isEqualTo("address,field,check,evidence,limit,clicks,low,high,counted");
            assertThat(findings).anyMatch(line -> line.startsWith(website.address() + ",title,generic,"));
            assertThat(findings).anyMatch(line -> line.contains(",title,keyword-incomplete,"));
        }
    }

    @Test
    void setsOfAKeptSweepStayUntilOthersAreGiven() throws IOException {
        Path sets = Files.writeString(
                folder.resolve("sets.json"),
                "[{\"name\":\"All\",\"conditions\":{},\"standard\":{\"title\":{\"maxChars\":3}}}]");
        String kept = folder.resolve("kept").toString();
        String out = folder.resolve("out").toString();
        try (Website website = Website.ofSize(6, 0)) {
            String[] words = {"sweep", website.address().toString(), "--out", out, "--data", kept};
            List<String> given = new ArrayList<>(List.of(words));
            given.addAll(List.of("--sets", sets.toString()));
            for (String[] each : new String[][] {given.toArray(String[]::new), words}) {
                Outcome outcome = run(each);
                assertThat(outcome.status).as(outcome.errors).isZero();
                assertThat(Files.readAllLines(folder.resolve("out/findings.csv")))
                        .anyMatch(line -> line.contains("characters over 3\""));
            }
            Files.writeString(sets, "[]");
            assertThat(run(given.toArray(String[]::new)).status).isZero();
            assertThat(Files.readAllLines(folder.resolve("out/findings.csv")))
                    .noneMatch(line -> line.contains("characters over 3\""));
        }
    }

    @Test
    void holdsItemsOfAFileAgainstTheChecksAndGuardsABuild() throws IOException {
        StringBuilder rows = new StringBuilder("address,title,description,indexable\n");
        StringBuilder demand = new StringBuilder("page,query,clicks,impressions,position,from,to\n");
        for (int i = 0; i < 60; i++) {
            String address = "https://kiln.example/" + i;
            String name = Integer.toString(i * 7919 + 131_071, 36);
            String title = i % 3 == 0 ? "Raku course, all levels welcome" : "Raku course with the potter " + name;
            rows.append("%s,\"%s\",\"%s: spun, glazed and fired twice in the old kiln behind the %s shed\",yes%n"
                    .formatted(address, title, name, name));
            demand.append("%s,raku %d,%d,900,4,2026-08-01,2026-10-30%n".formatted(address, i, i % 3 == 0 ? 40 : 90));
        }
        rows.append("https://kiln.example/gone,,,no\n");
        Path items = Files.writeString(folder.resolve("items.csv"), rows);
        Path reported = Files.writeString(folder.resolve("demand.csv"), demand);
        String[] words = {
            "triage", "--items", items.toString(), "--demand", reported.toString(), "--out", folder.toString()
        };
        Outcome outcome = run(words);
        assertThat(outcome.status).as(outcome.errors).isZero();
        List<String> findings = Files.readAllLines(folder.resolve("findings.csv"));
        assertThat(findings)
                .noneMatch(line -> line.contains("/gone"))
                .filteredOn(line -> line.contains(",title,duplicate,"))
                .hasSize(20)
                .first()
                .asString()
                .matches("https://kiln.example/0,title,duplicate,the same as \\S+ and 18 others,,[1-9].*");
        assertThat(findings.get(0)).isEqualTo("address,field,check,evidence,limit,clicks,low,high");
        assertThat(Files.readAllLines(folder.resolve("causes.csv")).get(1))
                .startsWith("\"20 titles repeat those of pages whose addresses differ in a number only")
                .contains(",duplicate,title,20,");
        assertThat(Files.readAllLines(folder.resolve("costs.csv")))
                .first()
                .isEqualTo("check,coefficient,low,high,items,source");
        assertThat(Files.readAllLines(folder.resolve("costs.csv")))
                .anyMatch(line -> line.startsWith("title duplicate,-0.") && line.contains(",20,"));

        Path standard = Files.writeString(folder.resolve("standard.json"), "{\"off\":[\"title duplicate\"]}");
        List<String> lenient = new ArrayList<>(List.of(words));
        lenient.addAll(List.of("--standard", standard.toString()));
        assertThat(run(lenient.toArray(String[]::new)).status).isZero();
        assertThat(Files.readAllLines(folder.resolve("findings.csv"))).noneMatch(line -> line.contains(",duplicate,"));
        Files.writeString(standard, "{\"off\":[\"title too-loud\"]}");
        assertThat(run(lenient.toArray(String[]::new)).errors)
                .isEqualTo("lucid: off: there is no check \"title too-loud\"\n");

        Path sets = Files.writeString(folder.resolve("sets.json"), """
                [{"name":"Ten","conditions":{"addresses":["/1"],"within":"Kiln"},"standard":{"off":["title duplicate"]}},
                 {"name":"Kiln","conditions":{"addresses":["*kiln.example/*"]},"standard":{"title":{"maxChars":20}}}]""");
        Path exempt = Files.writeString(folder.resolve("exempt.csv"), """
                address,field,check,until
                https://kiln.example/0,title,duplicate,
                https://kiln.example/0,title,duplicate,2099-01-01
                https://kiln.example/3,title,duplicate,2020-01-01
                https://kiln.example/none,title,duplicate,
                """);
        List<String> within = new ArrayList<>(List.of(words));
        within.addAll(List.of("--sets", sets.toString(), "--exempt", exempt.toString()));
        outcome = run(within.toArray(String[]::new));
        assertThat(outcome.status).as(outcome.errors).isZero();
        assertThat(outcome.errors)
                .contains("no item has the address of 1 exemption, such as https://kiln.example/none");
        List<String> held = Files.readAllLines(folder.resolve("findings.csv"));
        assertThat(held)
                .filteredOn(line -> line.contains(",title,duplicate,"))
                .as("of twenty, one is let stand, and 12, 15 and 18 need not pass it")
                .hasSize(16)
                .anyMatch(line -> line.startsWith("https://kiln.example/3,"));
        assertThat(held).filteredOn(line -> line.contains(",title,too-long,")).hasSize(60);
        Files.writeString(sets, "[{\"name\":\"Ten\",\"conditions\":{\"ids\":[1]}}]");
        assertThat(run(within.toArray(String[]::new)).errors).startsWith("lucid: set 1: ids: ");
        Files.writeString(sets, "[]");
        Files.writeString(exempt, "address,field,check\nhttps://kiln.example/0,title,too-loud\n");
        assertThat(run(within.toArray(String[]::new)).errors)
                .startsWith("lucid: exemptions, line 2: there is no check too-loud of title");
        Files.writeString(exempt, "address,field,check,until\nhttps://kiln.example/0,title,duplicate,soon\n");
        assertThat(run(within.toArray(String[]::new)).errors)
                .isEqualTo("lucid: exemptions, line 2: until: expected a day such as 2027-03-31, got \"soon\"\n");

        List<String> strict = new ArrayList<>(List.of(words));
        strict.addAll(List.of("--most", "19"));
        assertThat(run(strict.toArray(String[]::new)).status).isEqualTo(4);
        assertThat(run("triage", "--items", folder.resolve("none.csv").toString(), "--out", folder.toString()).status)
                .isEqualTo(2);
    }

    @Test
    void worksOutWhatItemsShouldBeFoundForAndSaysWhatIsWrongWithTheFiles() throws IOException {
        Path items = Files.writeString(
                folder.resolve("items.csv"),
                "address,status,indexable,title,h1,keyword\n"
                        + "https://kiln.example/,200,yes,The Kiln Shed,The Kiln Shed,\n"
                        + "https://kiln.example/raku/,200,yes,Raku course in Fennick,Raku course,\n"
                        + "https://kiln.example/old/,200,no,Raku course,Raku course,\n"
                        + "https://kiln.example/tiles/,200,yes,Tile making,Tile making,\n");
        Path keywords = Files.writeString(
                folder.resolve("keywords.csv"),
                "keyword,volume\nraku course,40\nTile Making,30\nclay delivery,1300\nmaking tile,10\n"
                        + "https://kiln.example/x,1\n" + "long ".repeat(60) + ",1\nRAKU course,50\n");
        StringBuilder demand = new StringBuilder("page,query,from,to,clicks,impressions,position\n");
        for (int week = 0; week < 20; week++) {
            LocalDate from = LocalDate.of(2026, 6, 29).plusWeeks(week);
            String period = from + "," + from.plusDays(6);
            demand.append("https://kiln.example/raku/,raku course,%s,2,20,4\n".formatted(period))
                    .append("https://kiln.example/raku/,raku fennick,%s,9,700,11.5\n".formatted(period))
                    .append("https://kiln.example/,kiln shed,%s,60,90,1.1\n".formatted(period))
                    .append("https://kiln.example/gone/,raku,%s,9,3,0\n".formatted(period));
        }
        Path reported = Files.writeString(folder.resolve("demand.csv"), demand);
        Outcome outcome = run(
                "aim",
                "--items",
                items.toString(),
                "--keywords",
                keywords.toString(),
                "--demand",
                reported.toString(),
                "--out",
                folder.toString());
        assertThat(outcome.status).as(outcome.errors).isZero();
        assertThat(outcome.errors)
                .contains("keywords, line 5: “making tile” has the same words as “Tile Making”; both are kept")
                .contains("keywords, line 6: this is an address, not a phrase")
                .contains("keywords, line 7: the phrase has")
                .contains("keywords, line 8: the same as line 2")
                .contains("20 rows of demand are of addresses that are no items")
                .contains("20 rows of demand have no position of 1 or more")
                .contains("20 rows of demand have more clicks than impressions");
        assertThat(Files.readAllLines(folder.resolve("targets.csv")))
                .hasSize(4)
                .startsWith("address,keyword,role,score,reason")
                .anyMatch(
                        line -> line.matches(
                                "https://kiln.example/raku/,raku course,primary,0.\\d+,in the title and H1; already fourth for it"));
        assertThat(Files.readAllLines(folder.resolve("gaps.csv")))
                .containsExactly(
                        "topic,keyword,volume,slug,title",
                        "clay delivery,clay delivery,1300,clay-delivery,Clay delivery");
        assertThat(Files.readAllLines(folder.resolve("better.csv")))
                .hasSize(2)
                .last()
                .asString()
                .startsWith("https://kiln.example/raku/,raku course,raku fennick,3044,11.5,")
                .contains("estimate: 3,044 searches");
        assertThat(Files.readAllLines(folder.resolve("curve.csv"))).hasSize(21).startsWith("position,rate,low,high");
        assertThat(run("aim", "--items", items.toString(), "--out", folder.toString()).errors)
                .isEqualTo("lucid: Missing required option: '--keywords=FILE'\n");
    }

    /** Forty oars pages get a title that is clicked a third more from the spring on; eighty others are left alone. */
    @Test
    void saysFromFilesAloneWhatAChangeBrought() throws IOException {
        StringBuilder demand = new StringBuilder("page,query,from,to,clicks,impressions,position\n");
        StringBuilder changed = new StringBuilder("address,live\n");
        Random random = new Random(4);
        LocalDate start = LocalDate.of(2026, 1, 5);
        for (int page = 0; page < 120; page++) {
            String address = "https://kiln.example/courses/" + page;
            if (page % 3 == 0) changed.append(address).append(page % 2 == 0 ? ",2026-06-10\n" : ",\n");
            for (int week = 0; week < 40; week++) {
                LocalDate day = start.plusWeeks(week);
                double mean = 20 * (1 + 0.4 * Math.sin(week / 8.0)) * (page % 3 == 0 && week >= 23 ? 1.33 : 1);
                long clicks = Math.max(0, Math.round(mean + random.nextGaussian() * Math.sqrt(mean)));
                demand.append("%s,raku course %d,%s,%s,%d,%d,4.0%n"
                        .formatted(address, page, day, day.plusDays(6), clicks, Math.round(mean * 12)));
            }
        }
        Path rows = Files.writeString(folder.resolve("demand.csv"), demand);
        Path list = Files.writeString(folder.resolve("changed.csv"), changed);
        String out = folder.resolve("effect").toString();
        String[] words = {"effect", "--demand", rows.toString(), "--changed", list.toString(), "--out", out};
        Outcome outcome = run(words);
        assertThat(outcome.status).isEqualTo(2);
        assertThat(outcome.errors).contains("give --live");
        List<String> given = new ArrayList<>(List.of(words));
        given.addAll(List.of("--live", "10.6.2026"));
        outcome = run(given.toArray(String[]::new));
        assertThat(outcome.status).as(outcome.errors).isZero();
        String[] clicks =
                Files.readAllLines(folder.resolve("effect/effect.csv")).get(1).split(",");
        assertThat(Double.parseDouble(clicks[1])).isBetween(0.25, 0.42);
        assertThat(Double.parseDouble(clicks[2])).isBetween(0.1, 0.33);
        assertThat(Double.parseDouble(clicks[3])).isBetween(0.33, 0.55);
        assertThat(clicks[4]).isEqualTo("40");
        assertThat(clicks[6]).isEqualTo("more");
        assertThat(Files.readAllLines(folder.resolve("effect/weeks.csv"))).hasSizeGreaterThan(30);
    }
}

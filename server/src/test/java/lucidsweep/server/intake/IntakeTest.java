package lucidsweep.server.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files of every kind and format, as they come. */
class IntakeTest {

    @TempDir
    private Path folder;

    private record Read(List<String> rows, List<String> unreadable, Mapping mapping, TableFile table) {}

    private static Read read(RowKind kind, TableFile table) {
        Read read = new Read(new ArrayList<>(), new ArrayList<>(), Mapping.guess(kind, table.first(2_000)), table);
        new Intake(kind, read.mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                String values = row.values().entrySet().stream()
                        .map(value -> value.getKey().code() + "=" + value.getValue())
                        .collect(Collectors.joining("; "));
                read.rows.add(values + (row.months().isEmpty() ? "" : " " + row.months()));
            }

            @Override
            public void unreadable(long line, String reason) {
                read.unreadable.add(line + ": " + reason);
            }
        });
        return read;
    }

    private Read read(RowKind kind, String name, String content) throws IOException {
        return read(kind, TableFile.of(Files.writeString(folder.resolve(name), content)));
    }

    @Test
    void listingsWithTheirNumbersAndDates() throws IOException {
        Read read = read(RowKind.LISTINGS, "shop.csv", """
                Listing ID;Title;Tags;Price;Views;Favorites;Created;Colour
                7;Ash paddle;ash, gift ,ash;£1,045.50;1.3K;12;25/11/2026;red
                8;;;45,00;1 300;-;03/12/2026;
                9;Oak paddle;;cheap;2;3;03/12/2026;
                7;Ash paddle again;;1;1;1;03/12/2026;
                10;Elm paddle;;1;1;1;12/25/2026;
                """);
        assertThat(read.rows)
                .containsExactly(
                        "id=7; title=Ash paddle; tags=ash, gift, ash; published=2026-11-25; price=1045.50; views=1300; favourites=12",
                        "id=8; published=2026-12-03; price=45.00; views=1300");
        assertThat(read.unreadable)
                .containsExactly(
                        "4: price: expected a number, got “cheap”",
                        "5: the same as line 2; the first is kept",
                        "6: published: “12/25/2026” is no date where the day comes first");
        assertThat(read.mapping.unknownColumns()).isEqualTo(1);
        assertThat(read.table.delimiter()).isEqualTo("semicolon");
    }

    @Test
    void anOrderOfDayAndMonthThatNothingTellsIsLeftOpen() {
        Mapping open =
                Mapping.guess(RowKind.VIDEOS, List.of(List.of("title", "published"), List.of("a", "03/12/2026")));
        assertThat(open.dates()).isNull();
        Mapping told = Mapping.guess(
                RowKind.VIDEOS,
                List.of(List.of("title", "published"), List.of("a", "03/12/2026"), List.of("b", "12/25/2026")));
        assertThat(told.dates()).hasToString("MONTH_FIRST");
        assertThat(Mapping.guess(RowKind.VIDEOS, List.of(List.of("title", "published"), List.of("a", "2026-12-03")))
                        .dates())
                .hasToString("DAY_FIRST");
    }

    @Test
    void aRowThatIsFarTooLongIsNamedAndTheRestIsRead() {
        Read read = read(RowKind.LISTINGS, TableFile.of("id,title\n1,Ash\n2," + "x".repeat(300_000) + "\n3,Oak"));
        assertThat(read.rows).containsExactly("id=1; title=Ash", "id=3; title=Oak");
        assertThat(read.unreadable)
                .containsExactly(
                        "3: the row has 300001 characters, at most 200000 are expected; is a quote never closed?");
    }

    @Test
    void demandOfDaysAndMonths() throws IOException {
        Read read = read(RowKind.DEMAND, "demand.tsv", """
                Page\tTop queries\tCountry\tMonth\tClicks\tImpressions\tAverage position
                https://BAY.example:443/a#x\tkayak hire\tgb\t2026-10\t12\t1,300\t4,5
                https://bay.example/a\tkayak hire\tgb\t25 Oct 2026\t1\t<10\t12
                https://bay.example/a\tKayak Hire\tgb\t2026-10\t1\t2\t3
                \tkayak tour\t\t\t1\t\t3
                """);
        assertThat(read.rows)
                .containsExactly(
                        "address=https://bay.example/a; query=kayak hire; country=gb; from=2026-10-01; to=2026-10-31; clicks=12; impressions=1300; position=4.5",
                        "address=https://bay.example/a; query=kayak hire; country=gb; from=2026-10-25; to=2026-10-25; clicks=1; impressions=10; position=12");
        assertThat(read.unreadable)
                .containsExactly("4: the same as line 2; the first is kept", "5: there is no impressions");
    }

    @Test
    void keywordsWithTheirMonthsInOrder() throws IOException {
        Read read = read(RowKind.KEYWORDS, "keywords.csv", """
                Keyword,Avg. monthly searches,Competition,Searches: Feb 2026,Searches: Jan 2026,Searches: Dec 2025
                kayak hire,1300.0,Low,200,150,-
                https://bay.example/,1,,,,
                """);
        assertThat(read.rows).containsExactly("keyword=kayak hire; volume=1300; competition=Low [, 150, 200]");
        assertThat(read.unreadable).containsExactly("3: this is an address, not a phrase: https://bay.example/");
        assertThat(read(RowKind.KEYWORDS, TableFile.of("kayak hire\t1.3K\nkayak tour\t<10")).rows)
                .containsExactly("keyword=kayak hire; volume=1300", "keyword=kayak tour; volume=10");
    }

    @Test
    void aBareListOfAddresses() {
        Read read = read(
                RowKind.PAGES, TableFile.of("https://bay.example/b/../a\nnonsense\nhttps://bay.example/a\n/tours/"));
        assertThat(read.rows).containsExactly("address=https://bay.example/a", "address=/tours/");
        assertThat(read.unreadable)
                .containsExactly(
                        "2: expected an address such as https://example.com/, got “nonsense”",
                        "3: the same as line 1; the first is kept");
    }

    @Test
    void resultsAreToldApartByQueryAndPosition() throws IOException {
        Read read = read(RowKind.RESULTS, "results.csv", """
                keyword,rank,url,title,snippet
                kayak hire,1,https://bay.example/,Hire,We hire
                kayak hire,2,https://bay.example/,Hire,We hire
                kayak hire,2,https://other.example/,Other,
                Kayak hire,2,https://other.example/,Another,
                """);
        assertThat(read.rows)
                .first()
                .isEqualTo(
                        "address=https://bay.example/; title=Hire; description=We hire; query=kayak hire; position=1");
        assertThat(read.rows).hasSize(3);
        assertThat(read.unreadable).containsExactly("5: the same as line 4; the first is kept");
    }

    @Test
    void spreadsheetsWithDatesNumbersAndGaps() throws IOException {
        Path file = folder.resolve("videos.xlsx");
        try (OutputStream out = Files.newOutputStream(file)) {
            Workbook workbook = new Workbook(out, "Lucid", "1.0");
            Worksheet sheet = workbook.newWorksheet("Channel");
            String[] head = {"Video title", "Description", "Views", "Uploaded", "Playlist"};
            for (int i = 0; i < head.length; i++) sheet.value(0, i, head[i]);
            sheet.value(1, 0, "Rolling a kayak");
            sheet.value(1, 2, 1_300.0);
            sheet.value(1, 3, LocalDate.of(2026, 11, 25));
            sheet.style(1, 3).format("dd/mm/yyyy").set();
            sheet.value(3, 0, "=1+1");
            sheet.value(3, 4, "Lessons");
            workbook.newWorksheet("Notes").value(0, 0, "nothing");
            workbook.finish();
        }
        Read read = read(RowKind.VIDEOS, TableFile.of(file));
        assertThat(read.table.sheets()).containsExactly("Channel", "Notes");
        assertThat(read.rows)
                .containsExactly(
                        "title=Rolling a kayak; published=2026-11-25; views=1300", "title==1+1; group=Lessons");
        assertThat(read.table.encoding() + " " + read.table.delimiter()).isEqualTo("none none");
        assertThatThrownBy(() -> read(RowKind.VIDEOS, TableFile.of(file, "Notes")))
                .isInstanceOf(Refusal.class)
                .hasMessage("no column looks like the id or address or title; the columns are: column 1");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "[{'id':1,'title':'Ash','tags':['a','b'],'price':4.5},{'id':2,'title':'Oak','stats':{'views':7}}]",
                "{'shop':'Bay','listings':[{'id':1,'title':'Ash','tags':['a','b'],'price':4.5},{'id':2,'title':'Oak','stats':{'views':7}}]}",
                "{'id':1,'title':'Ash','tags':['a','b'],'price':4.5}\n{'id':2,'title':'Oak','stats':{'views':7}}\n",
                "{'id':1,'title':'Ash','tags':['a','b'],'price':4.5}\n\n{'id':3,\n{'id':2,'title':'Oak','stats':{'views':7}}",
            })
    void jsonInItsShapes(String json) throws IOException {
        Read read = read(RowKind.LISTINGS, "shop.json", json.replace('\'', '"'));
        assertThat(read.rows).containsExactly("id=1; title=Ash; tags=a, b; price=4.5", "id=2; title=Oak; views=7");
        assertThat(read.table.encoding()).isEqualTo("UTF-8");
    }

    @Test
    void sitemapsWithTheirExtensions() throws IOException {
        Read read = read(RowKind.PAGES, "sitemap.xml", """
                <?xml version="1.0"?>
                <urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:image="urn:i" xmlns:video="urn:v">
                <url><loc> https://bay.example/a&amp;b </loc><lastmod>2026-11-25T10:00:00+00:00</lastmod>
                <image:image><image:loc>https://bay.example/i.jpg</image:loc><image:title>no</image:title></image:image>
                <video:video><video:title>Rolling</video:title><video:tag>roll</video:tag><video:tag>kayak</video:tag></video:video></url>
                <url><loc>nowhere</loc></url>
                </urlset>""");
        assertThat(read.rows)
                .containsExactly(
                        "address=https://bay.example/a&b; title=Rolling; tags=roll, kayak; modified=2026-11-25");
        assertThat(read.unreadable).hasSize(1);
    }

    /** A row a text, as a release is delivered, is a row an item; what is none of its texts is told. */
    @Test
    void textsOfARelease() throws IOException {
        Read read = read(RowKind.PAGES, "release.csv", """
                address,field,part,before,after
                https://bay.example/a,title,,Oars,"Oars of ash, by the day"
                https://bay.example/a,images,boat.svg,,A boat on the slip
                https://bay.example/a,description,,Cheap,By the day
                https://bay.example/b,colour,,red,blue
                https://bay.example/b,description,,,Of hemp
                ,title,,Nets,Nets of hemp
                """);
        assertThat(read.rows)
                .containsExactly(
                        "address=https://bay.example/a; title=Oars of ash, by the day; description=By the day",
                        "address=https://bay.example/b; description=Of hemp");
        assertThat(read.unreadable).hasSize(2).allMatch(reason -> reason.contains("expected an address, a field"));
        assertThat(TableFile.of("address,field,before,after\n/a,title,x,y").first(2))
                .as("pasted, too")
                .containsExactly(List.of("address", "title"), List.of("/a", "y"));
    }

    @Test
    void savedPagesInAnArchive() throws IOException {
        Path file = zip(Map.of(
                "tours/otter.html", "<title>Otter Point</title><meta name=description content='By kayak'>",
                "style.css", "p{}",
                "../../evil.html", "<title>Out</title>",
                "home.htm", "<title>Home</title><link rel=canonical href='https://bay.example/'>"));
        Read read = read(RowKind.PAGES, TableFile.of(file));
        assertThat(read.rows)
                .containsExactlyInAnyOrder(
                        "address=tours/otter.html; title=Otter Point; description=By kayak",
                        "address=https://bay.example/; title=Home");
        assertThat(read.unreadable).singleElement().asString().contains("leads out of the archive");
    }

    @Test
    void anArchiveThatUnpacksToFarMoreThanItIsIsNotOpened() throws IOException {
        Path file = folder.resolve("bomb.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            byte[] zeros = new byte[1 << 20];
            zip.putNextEntry(new ZipEntry("page.html"));
            for (int i = 0; i < 120; i++) zip.write(zeros);
        }
        assertThatThrownBy(() -> TableFile.of(file))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("unpacks to more");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "a.xml | <?xml version='1.0'?><!DOCTYPE z [<!ENTITY a 'x'><!ENTITY b '&a;&a;'>]><urlset><url><loc>https://bay.example/&b;</loc></url></urlset> | no sitemap",
                "b.xml | <?xml version='1.0'?><!DOCTYPE z [<!ENTITY a SYSTEM 'file:///etc/hostname'>]><urlset><url><loc>https://bay.example/&a;</loc></url></urlset> | no sitemap",
                "c.json | [1,2,3] | no object of this JSON file",
                "d.csv | colour,size | no column looks like the id or address or title; the columns are: colour, size",
                "e.zip | PK  | this archive is damaged",
            })
    void whatCannotBeUsedIsSaidInWords(String name, String content, String says) {
        RowKind kind = name.endsWith("xml") ? RowKind.PAGES : RowKind.LISTINGS;
        assertThatThrownBy(() -> read(kind, name, content.replace("PK", "PK\3\4 torn")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(says);
    }

    @Test
    void deepJsonAndWideSheetsEndInReasons() throws IOException {
        String deep = "[{\"title\":\"Ash\"},{\"a\":" + "{\"a\":".repeat(10_000) + "1" + "}".repeat(10_000) + "}]";
        Read read = read(RowKind.LISTINGS, "deep.json", deep);
        assertThat(read.rows).containsExactly("title=Ash");
        assertThat(read.unreadable).singleElement().asString().contains("the rest cannot be read");

        Path file = folder.resolve("wide.xlsx");
        try (OutputStream out = Files.newOutputStream(file)) {
            Workbook workbook = new Workbook(out, "Lucid", "1.0");
            Worksheet sheet = workbook.newWorksheet("Wide");
            sheet.value(0, 0, "title");
            sheet.value(1, 0, "Ash");
            sheet.value(2, 0, "Oak");
            sheet.value(2, 16_000, "far away");
            workbook.finish();
        }
        read = read(RowKind.LISTINGS, TableFile.of(file));
        assertThat(read.rows).containsExactly("title=Ash");
        assertThat(read.unreadable).hasSize(1);
    }

    private Path zip(Map<String, String> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        return Files.write(folder.resolve("saved.zip"), bytes.toByteArray());
    }
}

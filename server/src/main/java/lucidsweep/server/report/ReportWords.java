package lucidsweep.server.report;

import java.text.MessageFormat;
import java.text.NumberFormat;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;
import java.util.ResourceBundle;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Fix;

/** The words, numbers and dates of a report in the language of the client. */
final class ReportWords {

    private final Locale locale;
    private final ResourceBundle words;

    ReportWords(String language) {
        locale = language.equals("en") ? Locale.UK : Locale.forLanguageTag(language);
        words = ResourceBundle.getBundle("lucidsweep.server.report.report", locale, new OwnLanguageOnly());
    }

    /** English is in the files that name no language; the language of the machine is never taken. */
    private static final class OwnLanguageOnly extends ResourceBundle.Control {
        @Override
        public Locale getFallbackLocale(String base, Locale wanted) {
            return null;
        }
    }

    String language() {
        return locale.getLanguage();
    }

    /** A sentence with its numbers. */
    String say(String key, Object... parts) {
        return new MessageFormat(words.getString(key), locale).format(parts);
    }

    /** "Title: too long". */
    String check(Check check) {
        String key = "check." + check.code();
        String label = words.containsKey(key) ? words.getString(key) : check.label();
        return words.getString("field." + check.field().code()) + ": " + label;
    }

    String fix(Fix fix) {
        return words.getString("fix." + fix);
    }

    String number(double value) {
        return NumberFormat.getIntegerInstance(locale).format(Math.round(value));
    }

    String percent(double share) {
        NumberFormat format = NumberFormat.getPercentInstance(locale);
        format.setMaximumFractionDigits(share > 0.99 && share < 1 ? 1 : 0);
        return format.format(share);
    }

    String day(LocalDate day) {
        return DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
                .withLocale(locale)
                .format(day);
    }

    String day(Instant moment) {
        return day(moment.atZone(ZoneId.systemDefault()).toLocalDate());
    }
}

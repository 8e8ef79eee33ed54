package lucidsweep.core.text;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Names of months in English, German, French, Spanish, Italian, Dutch, Portuguese and Polish, whole or cut after three letters or more. */
final class MonthNames {

    private static final int SHORTEST = 3;
    private static final List<String> NAMES = List.of(
            "january february march april may june july august september october november december",
            "januar februar marz april mai juni juli august september oktober november dezember",
            "janner feber maerz april mai juni juli august september oktober november dezember",
            "janvier fevrier mars avril mai juin juillet aout septembre octobre novembre decembre",
            "enero febrero marzo abril mayo junio julio agosto septiembre octubre noviembre diciembre",
            "gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre",
            "januari februari maart april mei juni juli augustus september oktober november december",
            "janeiro fevereiro marco abril maio junho julho agosto setembro outubro novembro dezembro",
            "styczen luty marzec kwiecien maj czerwiec lipiec sierpien wrzesien pazdziernik listopad grudzien",
            "stycznia lutego marca kwietnia maja czerwca lipca sierpnia wrzesnia pazdziernika listopada grudnia",
            "jan feb mrt apr mei jun jul aug sept okt nov dec");
    private static final int AMBIGUOUS = 0;
    private static final Map<String, Integer> MONTHS = months();

    private MonthNames() {}

    private static Map<String, Integer> months() {
        Map<String, Integer> months = new HashMap<>();
        for (String language : NAMES) {
            String[] names = language.split(" ");
            for (int i = 0; i < names.length; i++) {
                for (int end = SHORTEST; end <= names[i].length(); end++) {
                    months.merge(names[i].substring(0, end), i + 1, (a, b) -> a.equals(b) ? a : AMBIGUOUS);
                }
            }
        }
        return months;
    }

    /** The number of a month, from 1 on; 0 where the name is none, or could be of two. Accents and case do not count if folded. */
    static int month(String folded) {
        return MONTHS.getOrDefault(folded, 0);
    }
}

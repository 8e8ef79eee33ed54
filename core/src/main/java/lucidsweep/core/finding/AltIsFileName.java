package lucidsweep.core.finding;

import java.util.List;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/** Alternative texts that are the names of files or what a camera wrote: "IMG_2041", "boat-final.jpg". */
final class AltIsFileName extends CapturedCheck {

    private static final Pattern FILE = Pattern.compile(
            "(?i)\\S+\\.(jpe?g|png|gif|webp|avif|svg|bmp|tiff?)|(img|dsc|dscn|dscf|pxl|image)[-_ ]?\\d{2,}\\S*");

    AltIsFileName() {
        super(Field.IMAGES, "file-name", "file name");
    }

    static boolean isFileName(String alt) {
        return FILE.matcher(alt).matches();
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has file names as alt texts", "have file names as alt texts");
    }

    @Override
    public String note(PageFacts page, String address) {
        List<String> names = page.images().stream()
                .map(PageFacts.Image::alt)
                .filter(alt -> alt != null && isFileName(alt))
                .toList();
        return some(names, page.images().size(), "image");
    }
}

package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** A page that the sitemap asks to be listed and that asks itself not to be. */
final class InSitemap extends CapturedCheck {

    InSitemap() {
        super(Field.INDEXING, "in-sitemap", "not indexable, but in the sitemap");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "stands in the sitemap and is not indexable", "stand in the sitemap and are not indexable");
    }
}

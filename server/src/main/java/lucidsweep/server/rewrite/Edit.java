package lucidsweep.server.rewrite;

import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;

/** An edit with what it is about: the property, what its items are held to, and where they are read. */
record Edit(Property property, Client client, EditSpec spec, ItemStandards standards, Items items, Drafts drafts) {

    Field field() {
        return spec.field();
    }

    Words words() {
        return Words.in(property.language());
    }

    /** A new text as it is stored; a slug of which nothing is left stays. */
    Proposal whole(FieldLine field, Standard standard, String text) {
        if (field() == Field.SLUG && Language.of(property.language()).slug(text).isEmpty()) {
            return Proposal.unchanged(field, standard, Proposal.Result.NOTHING);
        }
        String after = TidyText.of(property, field, text);
        boolean same = after.equals(field.text());
        return new Proposal(field, standard, after, same ? Proposal.Result.UNCHANGED : Proposal.Result.WHOLE);
    }
}

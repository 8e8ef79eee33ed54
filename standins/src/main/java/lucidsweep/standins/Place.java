package lucidsweep.standins;

import java.util.List;

/**
 * A place on the invented coast.
 *
 * @param sight what people come to see there
 * @param launch where boats go in
 * @param water how the water is
 */
record Place(String name, String sight, String launch, String water) {

    static final List<Place> ALL = List.of(
            new Place(
                    "Gull Cove",
                    "a sea arch you can paddle through at half tide",
                    "the shingle below the old net loft",
                    "sheltered from the west"),
            new Place(
                    "Otter Point",
                    "a kelp forest that starts a boat's length from the rocks",
                    "the slip beside the lifeboat house",
                    "clear and cold"),
            new Place(
                    "Pellow Sound",
                    "five islets with terns on every ledge",
                    "the jetty at Pellow Quay",
                    "wide and calm before noon"),
            new Place(
                    "Marram Sands",
                    "dunes that glow pink an hour before dusk",
                    "the beach by the third groyne",
                    "shallow for a long way out"),
            new Place(
                    "Skerry Island",
                    "a ruined beacon and a beach nobody walks to",
                    "the north landing",
                    "lively where the tides meet"),
            new Place(
                    "Brackwater",
                    "mudflats with avocets and, in autumn, thousands of knots",
                    "the pontoon behind the mill",
                    "brown, warm and slow"),
            new Place("Heron Creek", "oak woods that lean over the water", "the ford at Creekhead", "flat as slate"),
            new Place(
                    "Lantern Head",
                    "a lighthouse above two hundred feet of cliff",
                    "the steps under the keeper's cottage",
                    "open to the swell"),
            new Place(
                    "Saltmeadow",
                    "channels that wind through sea lavender",
                    "the sluice at Long Bank",
                    "gone at low tide"),
            new Place(
                    "Fennick",
                    "fishing boats, a smokehouse and the harbour wall",
                    "the inner harbour",
                    "busy but sheltered"),
            new Place("Ravensea", "stacks where ravens nest in March", "the cobble beach", "deep close to the shore"),
            new Place(
                    "Thrift Bay",
                    "cushions of thrift over low pink granite",
                    "the sand beside the tea hut",
                    "green and gentle"),
            new Place(
                    "Kittering",
                    "a kittiwake colony you hear before you see it",
                    "the boatyard ramp",
                    "choppy on an ebb tide"));

    String slug() {
        return Slug.of(name);
    }
}

package chalktrace.core.shot;

import chalktrace.core.guide.Guide;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;
import java.util.Optional;

/** They lie on all frames; one that goes along with a point does so by a ride. */
public final class GuidesPart extends ListPart<Guide> {

    public static final GuidesPart GUIDES = new GuidesPart();

    private GuidesPart() {
        super("guides");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("guides");
    }

    @Override
    protected Optional<String> id(Guide guide) {
        return Optional.of(guide.id());
    }

    @Override
    protected Optional<Guide> itemMoved(Guide guide, FrameChange change) {
        return Optional.of(guide);
    }

    @Override
    protected void writeItem(Guide guide, Branch to, Writing writing) {
        to.put("id", guide.id()).put("kind", guide.kind()).each("points", guide.points(), (spot, p) -> p.put(
                        "x", spot.x())
                .put("y", spot.y()));
    }

    @Override
    protected Guide readItem(Fields from, Reading reading) throws WrongField {
        return new Guide(
                from.text("id"),
                from.oneOf("kind", Guide.Kind.class),
                from.list("points", spot -> new Guide.Spot(spot.number("x"), spot.number("y"))));
    }
}

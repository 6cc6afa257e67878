package chalktrace.core.shot;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.time.FrameRate;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;

/** Its length is the caller's to set when frames move. */
public final class SetupPart extends ShotPart<ShotSetup> {

    public static final SetupPart SETUP = new SetupPart();

    private SetupPart() {
        super("setup");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("setup");
    }

    @Override
    public ShotSetup empty() {
        return ShotSetup.standard();
    }

    /** Held levels show over the whole shot. */
    @Override
    protected boolean unsettles(ShotSetup before, ShotSetup after) {
        return before.length() != after.length();
    }

    @Override
    protected ShotSetup moved(ShotSetup value, FrameChange change) {
        return value;
    }

    @Override
    public void write(ShotSetup setup, Branch root, Writing writing) {
        root.branch(id())
                .put("rate", setup.rate().asText())
                .put("width", setup.size().width())
                .put("height", setup.size().height())
                .put("length", setup.length())
                .put("firstNumber", setup.firstNumber())
                .put("paper", setup.paper().hex());
    }

    @Override
    public ShotSetup read(Fields root, Reading reading) throws WrongField {
        return root.object(id())
                .make(from -> new ShotSetup(
                        FrameRate.parse(from.text("rate")),
                        new PictureSize(from.whole("width"), from.whole("height")),
                        from.whole("length"),
                        from.whole("firstNumber"),
                        Rgb.parse(from.text("paper"))));
    }
}

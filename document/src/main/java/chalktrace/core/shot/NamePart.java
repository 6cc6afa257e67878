package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import chalktrace.core.words.PartWords;

public final class NamePart extends ShotPart<String> {

    public static final NamePart NAME = new NamePart();

    private NamePart() {
        super("name");
    }

    @Override
    public String title() {
        return PartWords.TEXTS.of("name");
    }

    @Override
    public String empty() {
        return "";
    }

    @Override
    protected String moved(String value, FrameChange change) {
        return value;
    }

    @Override
    public void write(String value, Branch root, Writing writing) {
        root.put(id(), value);
    }

    @Override
    public String read(Fields root, Reading reading) throws WrongField {
        return root.text(id());
    }
}

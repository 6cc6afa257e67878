package chalktrace.app.gather;

import chalktrace.app.cards.CardRows;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.Model;
import chalktrace.core.space.Point3;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.media.footage.Reference;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One clip of footage: what it is, how it meets the shot, how it looks under the drawing. */
final class FootageCard extends VBox {

    private final Session session;
    private final FileChoice files;
    private final String id;
    private final ImageView picture = new ImageView();
    private final Label name = new Label();
    private final Label facts = Rows.hint("");
    private final Label meets = Rows.hint("");
    private final Label problem = Rows.hint("");
    private final Button find = Buttons.edged(Icons.FIND_FILE, Words.GATHER.of("find-the-file"), this::find);
    private final Button eye =
            Buttons.icon(Icons.SHOWN, Words.GATHER.of("show-or-hide-this-footage"), this::showOrHide);
    private final Button allow = Buttons.words(
            Words.GATHER.of("allow-and-read"), Words.GATHER.of("read-media-outside-the-shots"), this::allow);

    private final Button findAll =
            Buttons.edged(Icons.FIND_FILE, Words.GATHER.of("look-through-a-folder-for"), this::findAll);
    private final VBox changed;
    private final ToggleGroup where = new ToggleGroup();
    private final LookRows look;
    private final PlaceRows place;
    private final FrameRows frames;
    private final StillRows still;
    private final TextField note = new TextField();
    private final List<CardRows.Part> parts = new ArrayList<>();

    FootageCard(Session session, FileChoice files, Footage clip, List<CardRows> more) {
        this.session = session;
        this.files = files;
        this.id = clip.id();
        look = new LookRows(session, id);
        place = new PlaceRows(session, id);
        frames = new FrameRows(session, id);
        still = new StillRows(session, id);
        getStyleClass().add("card");
        name.getStyleClass().add("strong");
        Button remove = Buttons.icon(Icons.REMOVE, Words.GATHER.of("take-this-footage-out-of"), () -> session.document()
                .apply(ReferenceEdits.remove(id)));
        Button replace = Buttons.icon(Icons.REPLACE, Words.GATHER.of("put-another-file-in-its"), this::find);
        HBox head = new HBox(4, name, Rows.space(), replace, eye, remove);
        head.setAlignment(Pos.CENTER_LEFT);
        note.setPromptText(Words.GATHER.of("source-and-permitted-use"));
        note.setFocusTraversable(false);
        note.setOnAction(event -> getParent().requestFocus());
        note.focusedProperty().addListener((property, before, focused) -> {
            if (!focused) {
                keepNote();
            }
        });
        HBox top = new HBox(8, picture, new VBox(2, facts, meets));
        problem.getStyleClass().add("bad");
        Button again = Buttons.edged(Icons.AGAIN, Words.GATHER.of("read-it-again"), () -> session.shot()
                .footage(id)
                .ifPresent(changedClip -> session.footages().readAgain(changedClip.file())));
        again.setId("read-again");
        changed = new VBox(4, Rows.hint(Words.GATHER.of("this-file-was-changed-on")), again);
        getChildren()
                .addAll(
                        head,
                        top,
                        problem,
                        allow,
                        find,
                        findAll,
                        changed,
                        places(),
                        new Fold(Words.GATHER.of("look"), clip.staging().isEmpty(), look),
                        new Fold(Words.GATHER.of("place"), false, place),
                        new Fold(Words.GATHER.of("frames"), false, frames));
        if (clip.staging().isEmpty()) {
            getChildren().add(new Fold(Words.GATHER.of("still"), false, still));
        }
        for (CardRows rows : more) {
            if (rows.fits(clip)) {
                CardRows.Part part = rows.of(id);
                parts.add(part);
                getChildren().add(getChildren().size() - 3, new Fold(rows.title(), true, part.node()));
            }
        }
        getChildren().add(note);
    }

    private HBox places() {
        HBox box = new HBox(
                place(Words.GATHER.of("under"), Words.GATHER.of("under-the-drawings"), Footage.Where.UNDER_DRAWINGS),
                place(Words.GATHER.of("over"), Words.GATHER.of("over-the-drawings"), Footage.Where.OVER_DRAWINGS),
                place(Words.GATHER.of("beside"), Words.GATHER.of("beside-the-board"), Footage.Where.BESIDE_BOARD));
        box.getStyleClass().add("edged-box");
        box.setMaxWidth(Region.USE_PREF_SIZE);
        return box;
    }

    private ToggleButton place(String text, String use, Footage.Where to) {
        ToggleButton button = Buttons.toggle(text, use);
        button.setId("where-" + text.toLowerCase(Locale.ROOT));
        button.setUserData(to);
        button.setToggleGroup(where);
        button.setOnAction(event -> {
            button.setSelected(true);
            session.document()
                    .apply(ReferenceEdits.change(
                            Words.GATHER.of("put-footage", text.toLowerCase(Locale.ROOT)), id, f -> f.withWhere(to)));
        });
        return button;
    }

    private void keepNote() {
        session.shot()
                .footage(id)
                .filter(clip -> !clip.note().equals(note.getText()))
                .ifPresent(clip -> session.document()
                        .apply(ReferenceEdits.change(Words.GATHER.of("note"), id, f -> f.withNote(note.getText()))));
    }

    void show(Footage clip) {
        name.setText(clip.name());
        eye.setGraphic(Theme.icon(clip.visible() ? Icons.SHOWN : Icons.HIDDEN));
        String wrong = session.footages().problems().get(clip.file());
        boolean held = session.outsideMedia().isHeldBack(clip.file());
        Rows.show(allow, held);
        Rows.show(find, wrong != null && !held);
        Rows.show(findAll, wrong != null && !held);
        problem.setText(wrong == null ? "" : wrong);
        getStyleClass().remove("problem");
        if (wrong != null) {
            getStyleClass().add("problem");
        }
        Reference reference = session.footages().opened().get(clip.file());
        if (reference != null) {
            describe(clip, reference);
            session.thumbnails().of(clip.file(), 0, reference.times().count()).ifPresent(picture::setImage);
        } else {
            facts.setText(wrong == null ? Words.GATHER.of("reading") : "");
            meets.setText("");
        }
        Rows.show(changed, wrong == null && session.footages().changed().contains(clip.file()));
        where.getToggles().forEach(toggle -> toggle.setSelected(toggle.getUserData() == clip.where()));
        look.show(clip);
        place.show(clip);
        frames.show(clip);
        if (clip.staging().isEmpty()) {
            still.show(clip);
        }
        parts.forEach(part -> part.show(clip));
        if (!note.isFocused()) {
            note.setText(clip.note());
        }
    }

    private void describe(Footage clip, Reference reference) {
        if (reference.figure().isPresent()) {
            describe(reference.figure().get().model(), reference);
            return;
        }
        int count = reference.times().count();
        facts.setText(
                count == 1
                        ? Words.GATHER.of("one-picture", reference.displaySize())
                        : String.format(
                                Locale.ROOT,
                                Words.GATHER.of("fps-pictures-s"),
                                reference.displaySize(),
                                reference.rate().spoken(),
                                count,
                                reference.times().endSeconds(count - 1)));
        if (!reference.notes().isEmpty()) {
            facts.setText(facts.getText() + System.lineSeparator() + String.join(" ", reference.notes()));
        }
        if (clip.isStill()) {
            meets.setText(
                    clip.views().isEmpty()
                            ? Words.GATHER.of("held-for-the-whole-shot")
                            : Words.GATHER.of("stands-still-a-view-at"));
            return;
        }
        FrameRate rate = session.shot().setup().rate();
        Conform conform = clip.conform();
        int first = session.shot().setup().number(conform.startFrame());
        meets.setText(
                switch (conform.pace()) {
                    case HELD -> Words.GATHER.of("held-for-the-whole-shot");
                    case PICTURE_FOR_FRAME -> Words.GATHER.of("a-picture-a-frame-from", first);
                    case KEEP_TIME, NEAREST_TIME ->
                        Words.GATHER.of(
                                "frames-to",
                                first,
                                first + conform.frames(rate, reference.times()) - 1,
                                conform.pace() == Conform.Pace.NEAREST_TIME && !rate.equals(reference.rate())
                                        ? Words.GATHER.of("nearest-picture")
                                        : "");
                });
    }

    private void describe(Model model, Reference reference) {
        Point3 size = reference.figure().orElseThrow().bounds().size();
        facts.setText(String.format(
                Locale.ROOT,
                Words.GATHER.of("d-triangles-joints-x-x"),
                model.triangles(),
                model.joints().size(),
                size.x(),
                size.y(),
                size.z(),
                unit(model)));
        meets.setText(String.join(" ", model.notes()));
    }

    private static String unit(Model model) {
        return model.unit().isEmpty()
                ? Words.GATHER.of("units")
                : model.unit().equals(Model.METRE) ? Words.GATHER.of("metres") : model.unit();
    }

    private void showOrHide() {
        session.document()
                .apply(ReferenceEdits.change(
                        Words.GATHER.of("show-or-hide-footage"), id, f -> f.withVisible(!f.visible())));
    }

    private void find() {
        files.openMedia().filter(chosen -> !chosen.isEmpty()).ifPresent(chosen -> session.gathering()
                .find(session.shot().footage(id).map(Footage::file).orElse(""), chosen.get(0)));
    }

    private void findAll() {
        files.folder(Words.GATHER.of("choose-a-folder-to-look")).ifPresent(session.gathering()::findAll);
    }

    private void allow() {
        session.outsideMedia().allow();
    }
}

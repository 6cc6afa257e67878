package chalktrace.app.gather;

import chalktrace.app.cards.CardRows;
import chalktrace.app.cards.SoundCard;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.media.footage.Gathered;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** Each reference of the shot as a card. */
final class GatherRows extends VBox {

    private final Session session;
    private final FileChoice files;
    private final List<CardRows> more;
    private final VBox cards = new VBox(8);
    private final Map<String, FootageCard> footageCards = new HashMap<>();
    private final Map<String, SoundCard> soundCards = new HashMap<>();
    private final SetupCard setup;
    private final ProxyCard proxies;
    private final Label setupFacts = Rows.hint("");
    private Gathered lookedAt;
    private LookCard lookCard;

    /** @param more rows on the cards of footage */
    GatherRows(Session session, FileChoice files, List<CardRows> more) {
        this.session = session;
        this.files = files;
        this.more = more;
        this.setup = new SetupCard(session);
        this.proxies = new ProxyCard(session, files);
        getStyleClass().add("step-rows");
        Button add = Buttons.main(Icons.ADD, Words.GATHER.of("import-footage-or-sound"), this::add);
        add.setMaxWidth(Double.MAX_VALUE);
        Fold setupFold = new Fold(Words.GATHER.of("the-shot"), false, setup);
        setupFold.openProperty().bindBidirectional(session.view().setupOpenProperty());
        getChildren()
                .addAll(
                        setupFold,
                        setupFacts,
                        add,
                        Rows.hint(Words.GATHER.of("footage-is-previewed-first-import")),
                        cards);
        Refresh.on(
                this,
                this::show,
                session.document().shotProperty(),
                session.footages().opened(),
                session.footages().problems(),
                session.footages().changed(),
                session.footages().arrivalsProperty(),
                session.proxies().bytesProperty(),
                session.transport().frameProperty(),
                session.view().setupOpenProperty(),
                session.sounds().peaks(),
                session.sounds().problems(),
                session.thumbnails().madeProperty(),
                session.looking().sourceProperty());
    }

    private void add() {
        files.openMedia().ifPresent(chosen -> session.gathering()
                .lookAt(chosen, session.transport().frame()));
    }

    private static String facts(ShotSetup setup) {
        return Words.GATHER.of("setup-facts", setup.size(), setup.rate().spoken(), setup.length());
    }

    private void show() {
        Shot shot = session.shot();
        footageCards.keySet().retainAll(shot.footage().stream().map(Footage::id).toList());
        soundCards.keySet().retainAll(shot.sounds().stream().map(SoundClip::id).toList());
        List<Node> all = new ArrayList<>();
        Gathered looked = session.looking().sourceProperty().get();
        if (looked != lookedAt) {
            lookedAt = looked;
            lookCard = looked == null ? null : new LookCard(session, looked);
        }
        if (looked != null) {
            cards.getChildren().setAll(lookCard);
            return;
        }
        setup.show(shot.setup());
        setupFacts.setText(session.view().setupOpenProperty().get() ? "" : facts(shot.setup()));
        for (Footage clip : shot.footage()) {
            FootageCard card =
                    footageCards.computeIfAbsent(clip.id(), id -> new FootageCard(session, files, clip, more));
            card.show(clip);
            all.add(card);
        }
        for (SoundClip clip : shot.sounds()) {
            SoundCard card = soundCards.computeIfAbsent(clip.id(), id -> new SoundCard(session, files, id));
            card.show(clip);
            all.add(card);
        }
        all.add(proxies);
        proxies.show();
        if (!cards.getChildren().equals(all)) {
            cards.getChildren().setAll(all);
        }
    }
}

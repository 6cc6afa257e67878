package chalktrace.app.controls;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import org.junit.jupiter.api.Test;

class WhileWantedTest {

    private final BooleanProperty wanted = new SimpleBooleanProperty();
    private final IntegerProperty frame = new SimpleIntegerProperty();
    private final List<Integer> heard = new ArrayList<>();

    private void note() {
        heard.add(frame.get());
    }

    @Test
    void itHearsOfChangesOnlyWhileWanted() {
        WhileWanted.hear(wanted::get, List.of(wanted), this::note, frame);
        frame.set(1);
        wanted.set(true);
        frame.set(2);
        frame.set(3);
        wanted.set(false);
        frame.set(4);
        wanted.set(true);
        frame.set(5);
        assertThat(heard).containsExactly(2, 3, 5);
    }

    @Test
    void whatShowsIsAskedAtFirstAndWhenItComesAndGoes() {
        WhileWanted.show(wanted::get, List.of(wanted), this::note, frame);
        frame.set(1);
        wanted.set(true);
        frame.set(2);
        wanted.set(false);
        frame.set(3);
        assertThat(heard).containsExactly(0, 1, 2, 2);
    }

    @Test
    void whatIsHeardMayEndTheWish() {
        wanted.set(true);
        WhileWanted.hear(
                wanted::get,
                List.of(wanted),
                () -> {
                    note();
                    wanted.set(false);
                },
                frame);
        frame.set(1);
        frame.set(2);
        assertThat(heard).containsExactly(1);
    }
}

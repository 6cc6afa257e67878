package chalktrace.core.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An animation that a model plays though it is of another one.
 *
 * @param footage the id of the lender
 * @param motion the name of the lender's animation
 * @param pairs which joint moves as which; the others stay as they rest
 */
public record Borrowed(String footage, String motion, List<JointPair> pairs) {

    public Borrowed {
        pairs = List.copyOf(pairs);
    }

    /** With the joints paired by their names. */
    public static Borrowed byNames(String footage, String motion, Model own, Model lender) {
        return new Borrowed(footage, motion, JointNames.match(own, lender));
    }

    /** The name under which a figure that borrows has the animation. */
    String name() {
        return footage + ": " + motion;
    }

    /**
     * The figure with the borrowed animation, too; as it is when the lender has none of that name.
     *
     * @param zUp whether it was made lying on its back, with z pointing up
     */
    public Figure on(Figure own, boolean zUp, Figure lender) {
        return lender.model()
                .motion(motion)
                .map(lent -> new Figure(own.model().with(fitted(own, zUp, lender, lent))))
                .orElse(own);
    }

    private Motion fitted(Figure own, boolean zUp, Figure lender, Motion lent) {
        if (!zUp) {
            return new Retarget(own, lender, pairs).motion(name(), lent);
        }
        // The raised one hangs on one node more, which comes first.
        Motion raised = new Retarget(own.raised(), lender, pairs).motion(name(), lent);
        return new Motion(
                raised.name(),
                raised.channels().stream()
                        .map(channel -> channel.of(channel.node() - 1))
                        .toList());
    }

    /** With a joint moving as another one, or staying at rest. */
    public Borrowed with(String joint, Optional<String> from) {
        List<JointPair> changed = new ArrayList<>(
                pairs.stream().filter(p -> !p.joint().equals(joint)).toList());
        from.ifPresent(name -> changed.add(new JointPair(joint, name)));
        return new Borrowed(footage, motion, changed);
    }

    /** The joint whose motion another follows; empty when it stays at rest. */
    public Optional<String> from(String joint) {
        return pairs.stream()
                .filter(p -> p.joint().equals(joint))
                .map(JointPair::from)
                .findFirst();
    }
}

package chalktrace.core.space;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * Puts a motion on a model that it was not made for. Each paired joint turns in space as its partner does, after the limbs of both are brought to
 * point the same way at rest; so limbs point where the lender's do, whatever pose each rests in and however the own bones are turned about their
 * length. The first joint is moved as its partner is, by as much as its legs are longer or shorter, and the whole is set on the floor on which the
 * model stands as its first animation starts, or rests when it has none. See M. Gleicher, "Retargetting motion to new characters", 1998, for what is kept and what is not: feet may slide a little where
 * proportions differ.
 */
final class Retarget {

    /** A longer time between two keys is halved, as turns of several joints do not go straight in between. */
    private static final double LONGEST_GAP = 1 / 24.0;

    /** A wrong way up must be better by so much of a whole to be believed. */
    private static final double CLEARLY = 0.05;

    private static final double TINY = 1e-9;

    private final Figure own;
    private final Figure lender;

    /** For each node of the own model its partner; -1 for none. */
    private final int[] partner;

    /** The paired node that each node hangs on, near or far; -1 for none. */
    private final int[] pairedParent;

    /** Where the model stands before it borrows. */
    private final Pose stand;

    private final Quaternion[] rest;
    private final Quaternion[] lenderRest;
    private final Quaternion upright;

    /** What brings each paired limb from where it rests to where the partner's rests. */
    private final Quaternion[] alike;

    Retarget(Figure own, Figure lender, List<JointPair> pairs) {
        this.own = own;
        this.lender = lender;
        int nodes = own.model().nodes().size();
        partner = new int[nodes];
        pairedParent = new int[nodes];
        for (int n = 0; n < nodes; n++) {
            String name = own.model().nodes().get(n).name();
            partner[n] = pairs.stream()
                    .filter(pair -> pair.joint().equals(name))
                    .mapToInt(pair -> lender.model().node(pair.from()))
                    .findFirst()
                    .orElse(-1);
            int parent = own.model().nodes().get(n).parent();
            pairedParent[n] = parent < 0 || partner[parent] >= 0 ? parent : pairedParent[parent];
        }
        stand = own.pose(own.model().motions().stream().findFirst(), 0);
        rest = turns(own);
        lenderRest = turns(lender);
        upright = upright();
        alike = new Quaternion[nodes];
        for (int n = 0; n < nodes; n++) {
            if (partner[n] >= 0) {
                Quaternion above = pairedParent[n] < 0 ? Quaternion.NONE : alike[pairedParent[n]];
                alike[n] = alike(n, above);
            }
        }
    }

    /** The own model's motion; without pairs it has no channels. */
    Motion motion(String name, Motion lent) {
        List<Integer> paired = IntStream.range(0, partner.length)
                .filter(n -> partner[n] >= 0)
                .boxed()
                .toList();
        if (paired.isEmpty()) {
            return new Motion(name, List.of());
        }
        int first = paired.get(0);
        float[] seconds = seconds(lent);
        float[][] turns = new float[partner.length][4 * seconds.length];
        Point3[] moved = new Point3[seconds.length];
        double size = legs(first);
        int above = own.model().nodes().get(first).parent();
        Matrix4 into = above < 0 ? Matrix4.IDENTITY : own.rest().place(above).inverse();
        List<Integer> body = onFirst(first);
        double lowest = Double.POSITIVE_INFINITY;
        Point3 start = null;
        for (int k = 0; k < seconds.length; k++) {
            Matrix4[] theirs = lender.places(lender.stances(lent, seconds[k]));
            Stance[] stances = posed(theirs);
            Point3 at = turn(upright, theirs[partner[first]].point(Point3.ZERO));
            start = start == null ? at : start;
            moved[k] = stand.joint(first).plus(at.minus(start).times(size));
            stances[first] = new Stance(into.point(moved[k]), stances[first].turn(), stances[first].scale());
            Matrix4[] places = own.places(stances);
            for (int n : paired) {
                put(stances[n].turn(), turns[n], k);
            }
            for (int n : body) {
                lowest = Math.min(lowest, places[n].point(Point3.ZERO).y());
            }
        }
        List<Channel> channels = new ArrayList<>();
        for (int n : paired) {
            channels.add(new Channel(n, Channel.Property.TURN, Channel.Way.LINEAR, seconds, turns[n]));
        }
        float[] moves = onFloor(moved, into, floor(body) - lowest);
        channels.add(new Channel(first, Channel.Property.MOVE, Channel.Way.LINEAR, seconds, moves));
        return new Motion(name, channels);
    }

    /** How the own nodes stand while the lender's are somewhere; the first is not moved yet. */
    private Stance[] posed(Matrix4[] theirs) {
        Quaternion[] now = turns(theirs);
        Stance[] stances = own.model().nodes().stream().map(Node::stance).toArray(Stance[]::new);
        Quaternion[] stands = new Quaternion[partner.length];
        for (int n = 0; n < partner.length; n++) {
            int parent = own.model().nodes().get(n).parent();
            Quaternion on = parent < 0 ? Quaternion.NONE : stands[parent];
            if (partner[n] >= 0) {
                stands[n] = turned(n, now[partner[n]]);
                stances[n] = new Stance(
                        stances[n].move(), on.inverse().times(stands[n]).unit(), stances[n].scale());
            } else {
                stands[n] = on.times(stances[n].turn());
            }
        }
        return stances;
    }

    private Quaternion turned(int node, Quaternion partnerNow) {
        Quaternion since = partnerNow.times(lenderRest[partner[node]].inverse());
        return upright.times(since)
                .times(upright.inverse())
                .times(alike[node])
                .times(rest[node])
                .unit();
    }

    /** A node and all that hang on it, near or far, whether they follow a partner or only go along. */
    private List<Integer> onFirst(int first) {
        boolean[] on = new boolean[partner.length];
        on[first] = true;
        for (int n = first + 1; n < partner.length; n++) {
            int parent = own.model().nodes().get(n).parent();
            on[n] = parent >= 0 && on[parent];
        }
        return IntStream.range(0, partner.length).filter(n -> on[n]).boxed().toList();
    }

    private double floor(List<Integer> body) {
        return body.stream().mapToDouble(n -> stand.joint(n).y()).min().orElse(0);
    }

    private static float[] onFloor(Point3[] moved, Matrix4 into, double up) {
        float[] moves = new float[3 * moved.length];
        for (int k = 0; k < moved.length; k++) {
            Point3 local = into.point(moved[k].plus(new Point3(0, up, 0)));
            moves[3 * k] = (float) local.x();
            moves[3 * k + 1] = (float) local.y();
            moves[3 * k + 2] = (float) local.z();
        }
        return moves;
    }

    /** Times of keys, none far from the next. */
    private static float[] seconds(Motion lent) {
        TreeSet<Float> keys = new TreeSet<>();
        for (Channel channel : lent.channels()) {
            for (float at : channel.seconds()) {
                keys.add(at);
            }
        }
        TreeSet<Float> all = new TreeSet<>(keys);
        Float before = null;
        for (float at : keys) {
            int parts = before == null ? 1 : (int) Math.min(1000, Math.ceil((at - before) / LONGEST_GAP - TINY));
            for (int i = 1; i < parts; i++) {
                all.add((float) (before + (at - before) * (double) i / parts));
            }
            before = at;
        }
        float[] out = new float[all.size()];
        int i = 0;
        for (float at : all) {
            out[i++] = at;
        }
        return out;
    }

    /** How many times longer the own legs are: along the joints from the first down to the lowest one; without, all limbs. */
    private double legs(int first) {
        int lowest = first;
        for (int n = 0; n < partner.length; n++) {
            if (partner[n] >= 0
                    && own.rest().joint(n).y() < own.rest().joint(lowest).y()) {
                lowest = n;
            }
        }
        double mine = 0;
        double theirs = 0;
        for (int n = lowest; n != first && pairedParent[n] >= 0; n = pairedParent[n]) {
            mine += limb(n).length();
            theirs += partnersLimb(n).length();
        }
        return mine > TINY && theirs > TINY ? mine / theirs : all();
    }

    private double all() {
        double mine = 0;
        double theirs = 0;
        for (int n = 0; n < partner.length; n++) {
            if (partner[n] >= 0 && pairedParent[n] >= 0) {
                mine += limb(n).length();
                theirs += partnersLimb(n).length();
            }
        }
        return mine > TINY && theirs > TINY ? mine / theirs : 1;
    }

    /** From the paired joint above to a joint, at rest. */
    private Point3 limb(int node) {
        return own.rest().joint(node).minus(own.rest().joint(pairedParent[node]));
    }

    private Point3 partnersLimb(int node) {
        return lender.rest().joint(partner[node]).minus(lender.rest().joint(partner[pairedParent[node]]));
    }

    /** Of the 24 ways in which axes can lie on axes, that under which the limbs of both point most alike. */
    private Quaternion upright() {
        Quaternion best = Quaternion.NONE;
        double most = likeness(best) + CLEARLY * limbs();
        for (Quaternion way : waysRound()) {
            double like = likeness(way);
            if (like > most + TINY) {
                most = like;
                best = way;
            }
        }
        return best;
    }

    private double likeness(Quaternion way) {
        double sum = 0;
        for (int n = 0; n < partner.length; n++) {
            if (partner[n] >= 0 && pairedParent[n] >= 0) {
                sum += limb(n).unit().dot(turn(way, partnersLimb(n)).unit());
            }
        }
        return sum;
    }

    private long limbs() {
        return IntStream.range(0, partner.length)
                .filter(n -> partner[n] >= 0 && pairedParent[n] >= 0)
                .count();
    }

    private static List<Quaternion> waysRound() {
        List<Quaternion> ways = new ArrayList<>();
        Point3 x = new Point3(1, 0, 0);
        List<Quaternion> faces = List.of(
                Quaternion.NONE,
                Quaternion.about(x, 90),
                Quaternion.about(x, -90),
                Quaternion.about(x, 180),
                Quaternion.about(new Point3(0, 0, 1), 90),
                Quaternion.about(new Point3(0, 0, 1), -90));
        for (Quaternion face : faces) {
            for (int quarter = 0; quarter < 4; quarter++) {
                ways.add(Quaternion.about(Point3.UP, 90 * quarter).times(face));
            }
        }
        return ways;
    }

    /** Where several limbs start, the turn under which they agree best; at an end, that of the limb before. */
    private Quaternion alike(int node, Quaternion above) {
        List<Point3> from = new ArrayList<>();
        List<Point3> to = new ArrayList<>();
        for (int n = 0; n < partner.length; n++) {
            if (partner[n] >= 0 && pairedParent[n] == node) {
                Point3 mine = turn(above, limb(n)).unit();
                Point3 theirs = turn(upright, partnersLimb(n)).unit();
                if (mine.length() > 0 && theirs.length() > 0) {
                    from.add(mine);
                    to.add(theirs);
                }
            }
        }
        return Directions.turn(from, to).times(above).unit();
    }

    private static Point3 turn(Quaternion by, Point3 point) {
        return Matrix4.of(new Stance(Point3.ZERO, by, new Point3(1, 1, 1))).point(point);
    }

    private static void put(Quaternion turn, float[] into, int k) {
        into[4 * k] = (float) turn.x();
        into[4 * k + 1] = (float) turn.y();
        into[4 * k + 2] = (float) turn.z();
        into[4 * k + 3] = (float) turn.w();
    }

    private static Quaternion[] turns(Figure figure) {
        return turns(IntStream.range(0, figure.model().nodes().size())
                .mapToObj(figure.rest()::place)
                .toArray(Matrix4[]::new));
    }

    private static Quaternion[] turns(Matrix4[] places) {
        return Arrays.stream(places).map(place -> place.stance().turn()).toArray(Quaternion[]::new);
    }
}

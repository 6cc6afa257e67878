package chalktrace.core.space;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Finds which joints of two models are the same limb, by their names: first those that are called alike, then those whose names say the same part of
 * a body on the same side, then the trunk from hips to neck, however many joints it has.
 */
public final class JointNames {

    private static final String HIPS = "hips";
    private static final String TRUNK = "trunk";
    private static final String NECK = "neck";
    private static final String THIGH = "thigh";
    private static final String SHIN = "shin";
    private static final String UPPER_ARM = "upper arm";
    private static final String FOREARM = "forearm";
    private static final String COLLAR = "collar";

    /** What parts are called; the longest that a name ends with or holds counts, and of equally long ones the first here. */
    private static final List<Map.Entry<String, List<String>>> PARTS = List.of(
            Map.entry("thumb", List.of("thumb")),
            Map.entry("index", List.of("index", "indexfinger")),
            Map.entry("middle", List.of("middle", "middlefinger")),
            Map.entry("ring", List.of("ring", "ringfinger")),
            Map.entry("little", List.of("little", "littlefinger", "pinky")),
            Map.entry(THIGH, List.of("upleg", "upperleg", "thigh", "legupper")),
            Map.entry(SHIN, List.of("lowleg", "lowerleg", "leglower", "shin", "calf", "knee")),
            Map.entry("foot", List.of("foot", "ankle")),
            Map.entry("toe", List.of("toe", "toes", "toebase", "ball")),
            Map.entry(COLLAR, List.of("collar", "collarbone", "clavicle")),
            Map.entry(UPPER_ARM, List.of("uparm", "upperarm", "armupper")),
            Map.entry(FOREARM, List.of("forearm", "lowarm", "lowerarm", "armlower", "elbow")),
            Map.entry("hand", List.of("hand", "wrist")),
            Map.entry(HIPS, List.of("hips", "pelvis")),
            Map.entry(TRUNK, List.of("spine", "abdomen", "waist", "chest", "torso", "thorax", "upperchest", "back")),
            Map.entry(NECK, List.of("neck")),
            Map.entry("head", List.of("head")),
            Map.entry("eye", List.of("eye", "eyeball")));

    /** What these mean depends on which others there are: {the word, when there is, it is, when there is, it is}. */
    private static final List<List<String>> DEPENDING = List.of(
            List.of("leg", THIGH, SHIN, SHIN, THIGH),
            List.of("arm", UPPER_ARM, FOREARM, FOREARM, UPPER_ARM),
            List.of("shoulder", UPPER_ARM, COLLAR, COLLAR, UPPER_ARM),
            List.of("hip", THIGH, "", SHIN, THIGH));

    private static final Set<String> ENDS = Set.of("end", "top", "nub", "tip", "site");
    private static final Set<String> FINGERS = Set.of("thumb", "index", "middle", "ring", "little");

    private final Model model;

    /** Joints of skins; of a model without, all nodes. */
    private final List<Integer> named;

    private final Map<String, Integer> byPart = new HashMap<>();
    private final List<Integer> trunk = new ArrayList<>();
    private final List<Integer> neck = new ArrayList<>();

    /** @param words of its name, in small letters; side and numbers are apart */
    private record Name(List<String> words, String side, String number) {

        static Name of(String name) {
            String bare = name.substring(Math.max(name.lastIndexOf(':'), name.lastIndexOf('|')) + 1);
            String apart = bare.replaceAll("(?<=[a-z])(?=[A-Z])|(?<=[A-Z])(?=[A-Z][a-z])", " ")
                    .replaceAll("(?<=\\D)(?=\\d)|(?<=\\d)(?=\\D)", " ")
                    .replaceAll("[^A-Za-z0-9]+", " ")
                    .strip()
                    .toLowerCase(Locale.ROOT);
            List<String> words = new ArrayList<>();
            String side = "";
            String number = "";
            for (String word : apart.split(" ")) {
                if (word.equals("l") || word.equals("left")) {
                    side = "left ";
                } else if (word.equals("r") || word.equals("right")) {
                    side = "right ";
                } else if (word.matches("\\d+")) {
                    number = word.replaceFirst("^0+(?=.)", "");
                } else if (!word.isEmpty()) {
                    words.add(word);
                }
            }
            return new Name(words, side, number);
        }

        boolean isEnd() {
            return words.stream().anyMatch(ENDS::contains);
        }

        String joined() {
            return String.join("", words);
        }
    }

    private JointNames(Model model) {
        this.model = model;
        List<Integer> joints = model.joints();
        named = joints.isEmpty()
                ? IntStream.range(0, model.nodes().size()).boxed().toList()
                : joints;
        Map<Integer, Name> names = new LinkedHashMap<>();
        named.forEach(node -> names.put(node, Name.of(model.nodes().get(node).name())));
        names.values().removeIf(Name::isEnd);
        names.forEach((node, name) -> part(name.joined()).ifPresent(part -> note(part, name, node)));
        for (List<String> word : DEPENDING) {
            names.forEach((node, name) -> depending(word, name, node));
        }
        hips();
        if (!byPart.containsKey("head") && neck.size() > 1) {
            byPart.put("head", neck.remove(neck.size() - 1));
        }
    }

    /**
     * The joints of two models that belong together, each at most once.
     *
     * @param own the model that is to be moved
     */
    public static List<JointPair> match(Model own, Model lender) {
        JointNames mine = new JointNames(own);
        JointNames theirs = new JointNames(lender);
        Map<Integer, Integer> pairs = new HashMap<>();
        mine.byPart.forEach((part, node) -> {
            if (theirs.byPart.containsKey(part)) {
                pairs.put(node, theirs.byPart.get(part));
            }
        });
        chain(mine.trunk, theirs.trunk, pairs);
        chain(mine.neck, theirs.neck, pairs);
        Set<Integer> taken = new HashSet<>(pairs.values());
        for (int n : mine.named) {
            if (!pairs.containsKey(n)) {
                String name = own.nodes().get(n).name();
                theirs.named.stream()
                        .filter(node -> lender.nodes().get(node).name().equalsIgnoreCase(name) && taken.add(node))
                        .findFirst()
                        .ifPresent(node -> pairs.put(n, node));
            }
        }
        return pairs.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(pair -> new JointPair(
                        own.nodes().get(pair.getKey()).name(),
                        lender.nodes().get(pair.getValue()).name()))
                .toList();
    }

    /** The names of what can be moved like a joint, each once, limb by limb: after each what hangs on it. */
    public static List<String> of(Model model) {
        Set<Integer> joints = new HashSet<>(new JointNames(model).named);
        List<List<Integer>> hanging = new ArrayList<>();
        List<Integer> next = new ArrayList<>();
        for (int n = 0; n < model.nodes().size(); n++) {
            hanging.add(new ArrayList<>());
            int parent = model.nodes().get(n).parent();
            (parent < 0 ? next : hanging.get(parent)).add(0, n);
        }
        Set<String> names = new LinkedHashSet<>();
        while (!next.isEmpty()) {
            int n = next.remove(next.size() - 1);
            next.addAll(hanging.get(n));
            if (joints.contains(n)) {
                names.add(model.nodes().get(n).name());
            }
        }
        return List.copyOf(names);
    }

    private static Optional<String> part(String name) {
        String best = "";
        String found = "";
        for (Map.Entry<String, List<String>> part : PARTS) {
            for (String called : part.getValue()) {
                if (name.contains(called) && called.length() > best.length()) {
                    best = called;
                    found = part.getKey();
                }
            }
        }
        return Optional.of(found).filter(part -> !part.isEmpty());
    }

    private void note(String part, Name name, int node) {
        if (part.equals(TRUNK) && name.side().isEmpty()) {
            trunk.add(node);
        } else if (part.equals(NECK)) {
            neck.add(node);
        } else if (FINGERS.contains(part)) {
            byPart.putIfAbsent(name.side() + part + name.number(), node);
        } else {
            byPart.putIfAbsent(name.side() + part, node);
        }
    }

    private void depending(List<String> word, Name name, int node) {
        String joined = name.joined();
        if (!joined.endsWith(word.get(0)) || part(joined).isPresent()) {
            return;
        }
        if (name.side().isEmpty()) {
            if (word.get(0).equals("hip")) {
                byPart.putIfAbsent(HIPS, node);
            }
        } else if (byPart.containsKey(name.side() + word.get(1))) {
            if (!word.get(2).isEmpty()) {
                byPart.putIfAbsent(name.side() + word.get(2), node);
            }
        } else if (byPart.containsKey(name.side() + word.get(3))) {
            byPart.putIfAbsent(name.side() + word.get(4), node);
        }
    }

    /** Where nothing is called hips, what both thighs hang on is. */
    private void hips() {
        Integer left = byPart.get("left " + THIGH);
        Integer right = byPart.get("right " + THIGH);
        if (byPart.containsKey(HIPS) || left == null || right == null) {
            return;
        }
        Set<Integer> above = new HashSet<>();
        for (int n = model.nodes().get(left).parent();
                n >= 0;
                n = model.nodes().get(n).parent()) {
            above.add(n);
        }
        for (int n = model.nodes().get(right).parent();
                n >= 0;
                n = model.nodes().get(n).parent()) {
            if (above.contains(n)) {
                byPart.put(HIPS, n);
                trunk.remove(Integer.valueOf(n));
                return;
            }
        }
    }

    /** The last of one goes with the last of the other, and so do the others as far along. */
    private static void chain(List<Integer> mine, List<Integer> theirs, Map<Integer, Integer> pairs) {
        List<Integer> own = mine.stream().sorted(Comparator.naturalOrder()).toList();
        List<Integer> lent = theirs.stream().sorted(Comparator.naturalOrder()).toList();
        int count = Math.min(own.size(), lent.size());
        for (int i = 0; i < count; i++) {
            pairs.put(own.get(along(i, count, own.size())), lent.get(along(i, count, lent.size())));
        }
    }

    private static int along(int i, int count, int of) {
        return count == 1 ? of - 1 : (int) Math.round((double) i * (of - 1) / (count - 1));
    }
}

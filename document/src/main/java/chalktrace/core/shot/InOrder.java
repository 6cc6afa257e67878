package chalktrace.core.shot;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Lists in rising order. */
final class InOrder {

    private InOrder() {}

    /** The same list where it is so already. */
    static <T> List<T> sorted(List<T> items, Comparator<T> order) {
        for (int i = 1; i < items.size(); i++) {
            if (order.compare(items.get(i - 1), items.get(i)) > 0) {
                List<T> out = new ArrayList<>(items);
                out.sort(order);
                return List.copyOf(out);
            }
        }
        return List.copyOf(items);
    }
}

package chalktrace.media.file;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Tree;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;

/** Trees as JSON (RFC 8259), and JSON as trees. */
final class TreeJson {

    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private TreeJson() {}

    static ObjectNode json(Branch branch) {
        ObjectNode to = JSON.objectNode();
        branch.fields().forEach((name, value) -> to.set(name, json(value)));
        return to;
    }

    private static JsonNode json(Tree tree) {
        if (tree instanceof Branch branch) {
            return json(branch);
        }
        if (tree instanceof Tree.Items items) {
            ArrayNode to = JSON.arrayNode(items.all().size());
            items.all().forEach(item -> to.add(json(item)));
            return to;
        }
        if (tree instanceof Tree.Text text) {
            return JSON.textNode(text.value());
        }
        if (tree instanceof Tree.Whole whole) {
            return whole.value() == (int) whole.value()
                    ? JSON.numberNode((int) whole.value())
                    : JSON.numberNode(whole.value());
        }
        if (tree instanceof Tree.Number number) {
            return JSON.numberNode(number.value());
        }
        return tree instanceof Tree.Flag flag ? JSON.booleanNode(flag.value()) : JSON.nullNode();
    }

    /** Numbers are as exact as a double. */
    static Tree tree(JsonNode json) {
        if (json instanceof ObjectNode) {
            Branch to = new Branch();
            json.fields().forEachRemaining(field -> to.put(field.getKey(), tree(field.getValue())));
            return to;
        }
        if (json instanceof ArrayNode) {
            List<Tree> items = new ArrayList<>(json.size());
            json.forEach(item -> items.add(tree(item)));
            return new Tree.Items(items);
        }
        if (json.isTextual()) {
            return new Tree.Text(json.textValue());
        }
        if (json.isIntegralNumber() && json.canConvertToLong()) {
            return new Tree.Whole(json.longValue());
        }
        if (json.isNumber()) {
            return new Tree.Number(json.doubleValue());
        }
        return json.isBoolean() ? new Tree.Flag(json.booleanValue()) : new Tree.Nothing();
    }
}

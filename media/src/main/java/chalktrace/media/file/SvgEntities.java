package chalktrace.media.file;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Writes out the short texts that a drawing declares for itself in its document type, such as names of namespaces, and takes the document
 * type away, so that the drawing can be read with declarations switched off. A text that refers to others, to files or that is long is not
 * written out.
 */
final class SvgEntities {

    private static final Pattern DOCTYPE = Pattern.compile("<!DOCTYPE[^\\[>]*(\\[(.*?)\\]\\s*)?>", Pattern.DOTALL);
    private static final Pattern ENTITY =
            Pattern.compile("<!ENTITY\\s+([\\w.-]+)\\s+(?:\"([^\"&%<]*)\"|'([^'&%<]*)')\\s*>");
    private static final int MOST_ENTITIES = 100;
    private static final int LONGEST = 400;

    /** The document type stands at the beginning. */
    private static final int LOOKED_THROUGH = 1 << 16;

    private SvgEntities() {}

    /** The same drawing without a document type; bytes that are no text in an ASCII-like code come back as they are. */
    static byte[] written(byte[] svg) {
        // Byte for byte, so that whatever code the drawing is in stays as it is.
        String text = new String(svg, StandardCharsets.ISO_8859_1);
        Matcher doctype = DOCTYPE.matcher(text.substring(0, Math.min(text.length(), LOOKED_THROUGH)));
        if (!doctype.find()) {
            return svg;
        }
        Map<String, String> entities = new LinkedHashMap<>();
        if (doctype.group(2) != null) {
            Matcher entity = ENTITY.matcher(doctype.group(2));
            while (entity.find() && entities.size() < MOST_ENTITIES) {
                String value = entity.group(2) == null ? entity.group(3) : entity.group(2);
                if (value.length() <= LONGEST) {
                    entities.put("&" + entity.group(1) + ";", value);
                }
            }
        }
        String rest = text.substring(0, doctype.start()) + text.substring(doctype.end());
        for (Map.Entry<String, String> entity : entities.entrySet()) {
            rest = rest.replace(entity.getKey(), entity.getValue());
        }
        return rest.getBytes(StandardCharsets.ISO_8859_1);
    }
}

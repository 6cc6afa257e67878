package chalktrace.media.file;

import com.github.weisj.jsvg.parser.DomDocument;
import com.github.weisj.jsvg.parser.resources.RenderableResource;
import com.github.weisj.jsvg.parser.resources.ResourceLoader;
import com.github.weisj.jsvg.parser.resources.ResourcePolicy;
import com.github.weisj.jsvg.parser.resources.ResourceSupplier;
import com.github.weisj.jsvg.renderer.RenderContext;
import com.github.weisj.jsvg.renderer.output.Output;
import com.github.weisj.jsvg.view.FloatSize;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.Base64;
import java.util.Optional;

/** The pictures that lie within a drawing's file. What lies outside of it is never looked at. Both kinds of loss are counted. */
final class SvgPictures implements ResourceLoader, ResourcePolicy {

    private static final String SCHEME = "data";
    private static final String PICTURE = "image/";
    private static final String ENCODED = ";base64,";

    private int lost;
    private long pixels;

    /** How many were too large, damaged or outside the file. */
    int lost() {
        return lost;
    }

    @Override
    public URI resolveResourceURI(URI document, String where) {
        String whole = where.replaceAll("\\s", "");
        try {
            return resolveResourceURI(document, new URI(whole));
        } catch (URISyntaxException e) {
            lost++;
            return null;
        }
    }

    @Override
    public URI resolveResourceURI(URI document, URI where) {
        if (SCHEME.equals(where.getScheme()) && where.getSchemeSpecificPart().startsWith(PICTURE)) {
            return where;
        }
        lost++;
        return null;
    }

    @Override
    public ResourceSupplier<RenderableResource> loadImage(DomDocument document, URI where) {
        String text = where.getSchemeSpecificPart();
        int start = text.indexOf(ENCODED);
        try {
            if (start < 0) {
                throw new IllegalArgumentException("holds no picture in base 64");
            }
            byte[] bytes = Base64.getMimeDecoder().decode(text.substring(start + ENCODED.length()));
            BufferedImage picture =
                    PngPixels.image(bytes, text.startsWith(PICTURE + "jp") ? "jpeg" : "png", PngPixels.MOST - pixels);
            pixels += (long) picture.getWidth() * picture.getHeight();
            return platform -> Optional.of(new Shown(Optional.of(picture)));
        } catch (IllegalArgumentException e) {
            lost++;
            // With no picture at all the library would draw a sign in its place.
            return platform -> Optional.of(new Shown(Optional.empty()));
        }
    }

    private static final class Shown implements RenderableResource {

        private final Optional<BufferedImage> picture;

        private Shown(Optional<BufferedImage> picture) {
            this.picture = picture;
        }

        @Override
        public FloatSize intrinsicSize(RenderContext context) {
            return picture.map(image -> new FloatSize(image.getWidth(), image.getHeight()))
                    .orElse(new FloatSize(1, 1));
        }

        @Override
        public void render(Output output, RenderContext context, AffineTransform place) {
            picture.ifPresent(image -> {
                Output seen = output.createChild();
                seen.applyOpacity(context.rawOpacity());
                seen.drawImage(image, place, null);
                seen.dispose();
            });
        }
    }
}

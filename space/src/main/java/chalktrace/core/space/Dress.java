package chalktrace.core.space;

/**
 * How a picture of a model is dressed.
 *
 * @param hidden with {@link ModelLook#LINES}: whether lines behind show faintly
 * @param shadow whether it throws a shadow on the floor
 * @param grid whether the floor is drawn as a grid
 */
public record Dress(ModelLook look, Light light, boolean hidden, boolean shadow, boolean grid) {

    public static final Dress USUAL = new Dress(ModelLook.CLAY, Light.USUAL, false, false, false);

    public Dress withLook(ModelLook other) {
        return new Dress(other, light, hidden, shadow, grid);
    }

    public Dress withLight(Light other) {
        return new Dress(look, other, hidden, shadow, grid);
    }

    public Dress withHidden(boolean faint) {
        return new Dress(look, light, faint, shadow, grid);
    }

    public Dress withShadow(boolean thrown) {
        return new Dress(look, light, hidden, thrown, grid);
    }

    public Dress withGrid(boolean drawn) {
        return new Dress(look, light, hidden, shadow, drawn);
    }
}

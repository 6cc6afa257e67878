package chalktrace.demo.scene;

/** What a solid is made of: linear colour, and how it shines. */
enum Material {
    SKIN(0.62, 0.36, 0.25, 0.10, 12),
    FACE(0.62, 0.36, 0.25, 0.10, 12),
    COAT(0.055, 0.12, 0.16, 0.03, 6),
    APRON(0.42, 0.33, 0.21, 0.02, 5),
    SCARF(0.52, 0.12, 0.06, 0.02, 5),
    CAP(0.12, 0.10, 0.085, 0.02, 5),
    HAIR(0.05, 0.03, 0.02, 0.08, 18),
    KETTLE(0.30, 0.15, 0.07, 0.55, 40),
    GRIP(0.03, 0.025, 0.02, 0.15, 20),
    CUP(0.70, 0.68, 0.62, 0.25, 30),
    WATER(0.55, 0.45, 0.30, 0.5, 50),
    COUNTER(0.22, 0.13, 0.075, 0.05, 9),
    IRON(0.04, 0.04, 0.045, 0.12, 10);

    final double red;
    final double green;
    final double blue;
    final double shine;
    final double sharpness;

    Material(double red, double green, double blue, double shine, double sharpness) {
        this.red = red;
        this.green = green;
        this.blue = blue;
        this.shine = shine;
        this.sharpness = sharpness;
    }
}

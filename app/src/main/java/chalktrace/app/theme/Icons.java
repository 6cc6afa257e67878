package chalktrace.app.theme;

import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.materialdesign2.MaterialDesignA;
import org.kordamp.ikonli.materialdesign2.MaterialDesignC;
import org.kordamp.ikonli.materialdesign2.MaterialDesignE;
import org.kordamp.ikonli.materialdesign2.MaterialDesignF;
import org.kordamp.ikonli.materialdesign2.MaterialDesignG;
import org.kordamp.ikonli.materialdesign2.MaterialDesignI;
import org.kordamp.ikonli.materialdesign2.MaterialDesignL;
import org.kordamp.ikonli.materialdesign2.MaterialDesignM;
import org.kordamp.ikonli.materialdesign2.MaterialDesignN;
import org.kordamp.ikonli.materialdesign2.MaterialDesignP;
import org.kordamp.ikonli.materialdesign2.MaterialDesignR;
import org.kordamp.ikonli.materialdesign2.MaterialDesignS;
import org.kordamp.ikonli.materialdesign2.MaterialDesignT;
import org.kordamp.ikonli.materialdesign2.MaterialDesignV;
import org.kordamp.ikonli.materialdesign2.MaterialDesignW;

/** The icons of the program by what they stand for, all from one pack. */
public final class Icons {

    public static final Ikon BACK = MaterialDesignC.CHEVRON_LEFT;
    public static final Ikon ON = MaterialDesignC.CHEVRON_RIGHT;
    public static final Ikon FIRST = MaterialDesignC.CHEVRON_DOUBLE_LEFT;
    public static final Ikon LAST = MaterialDesignC.CHEVRON_DOUBLE_RIGHT;
    public static final Ikon PLAY = MaterialDesignP.PLAY;
    public static final Ikon PAUSE = MaterialDesignP.PAUSE;
    public static final Ikon LOOP = MaterialDesignR.REPEAT;
    public static final Ikon ONCE = MaterialDesignR.REPEAT_OFF;
    public static final Ikon TO_AND_FRO = MaterialDesignS.SWAP_HORIZONTAL;
    public static final Ikon SHOWN = MaterialDesignE.EYE_OUTLINE;
    public static final Ikon HIDDEN = MaterialDesignE.EYE_OFF_OUTLINE;
    public static final Ikon LOCKED = MaterialDesignL.LOCK_OUTLINE;
    public static final Ikon UNLOCKED = MaterialDesignL.LOCK_OPEN_VARIANT_OUTLINE;
    public static final Ikon DUSTER = MaterialDesignE.ERASER_VARIANT;
    public static final Ikon ADD = MaterialDesignP.PLUS;
    public static final Ikon RECORD = MaterialDesignM.MICROPHONE_OUTLINE;
    public static final Ikon SPEECH = MaterialDesignA.ACCOUNT_VOICE;
    public static final Ikon REMOVE = MaterialDesignT.TRASH_CAN_OUTLINE;
    public static final Ikon UP = MaterialDesignC.CHEVRON_UP;
    public static final Ikon DOWN = MaterialDesignC.CHEVRON_DOWN;
    public static final Ikon CLOSE = MaterialDesignC.CLOSE;
    public static final Ikon MOVIE = MaterialDesignM.MOVIE_OUTLINE;
    public static final Ikon PICTURES = MaterialDesignI.IMAGE_MULTIPLE_OUTLINE;
    public static final Ikon FIND_FILE = MaterialDesignF.FOLDER_SEARCH_OUTLINE;
    public static final Ikon REPLACE = MaterialDesignF.FILE_REPLACE_OUTLINE;
    public static final Ikon AUDIBLE = MaterialDesignV.VOLUME_HIGH;
    public static final Ikon MUTED = MaterialDesignV.VOLUME_OFF;

    public static final Ikon DONE = MaterialDesignC.CHECK;
    public static final Ikon ALONE = MaterialDesignN.NUMERIC_1_BOX_OUTLINE;
    public static final Ikon SNAP = MaterialDesignM.MAGNET;
    public static final Ikon TAKE_COLOUR = MaterialDesignE.EYEDROPPER;
    public static final Ikon PICK = MaterialDesignS.SELECTION_DRAG;
    public static final Ikon FILL = MaterialDesignF.FORMAT_COLOR_FILL;
    public static final Ikon MIRROR = MaterialDesignF.FLIP_HORIZONTAL;
    public static final Ikon TURN_OVER = MaterialDesignF.FLIP_VERTICAL;
    public static final Ikon SHEET = MaterialDesignT.TABLE_LARGE;
    public static final Ikon GUIDES = MaterialDesignR.RULER;
    public static final Ikon FREE_LINE = MaterialDesignG.GESTURE;
    public static final Ikon STRAIGHT_LINE = MaterialDesignV.VECTOR_LINE;
    public static final Ikon ELLIPSE = MaterialDesignE.ELLIPSE_OUTLINE;
    public static final Ikon CLOSED_SHAPE = MaterialDesignS.SHAPE_POLYGON_PLUS;
    public static final Ikon WITHIN_PAINT = MaterialDesignF.FORMAT_PAINT;
    public static final Ikon ALONG_GUIDES = MaterialDesignR.RULER_SQUARE;
    public static final Ikon AGAIN = MaterialDesignR.REFRESH;
    public static final Ikon PLACE = MaterialDesignC.CURSOR_MOVE;
    public static final Ikon MEND = MaterialDesignW.WRENCH_OUTLINE;
    public static final Ikon NEXT_DRAWING = MaterialDesignP.PAGE_NEXT_OUTLINE;
    public static final Ikon DETACH = MaterialDesignL.LINK_OFF;

    private Icons() {}
}

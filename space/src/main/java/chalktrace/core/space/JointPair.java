package chalktrace.core.space;

/**
 * A joint that moves as one of another model does.
 *
 * @param joint of the model that borrows, by its name
 * @param from the joint of the lender, by its name
 */
public record JointPair(String joint, String from) {}

package chalktrace.core.space;

import java.util.List;

/**
 * Joints that pull a mesh along.
 *
 * @param joints nodes of the model
 * @param atRest what takes a vertex from the mesh to each joint's own place (the inverse bind matrices)
 */
public record Skin(List<Integer> joints, List<Matrix4> atRest) {

    public Skin {
        joints = List.copyOf(joints);
        atRest = List.copyOf(atRest);
        if (joints.size() != atRest.size()) {
            throw new IllegalArgumentException("A skin has a matrix for each joint.");
        }
    }
}

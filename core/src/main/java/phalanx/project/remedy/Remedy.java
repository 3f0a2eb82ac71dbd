package phalanx.project.remedy;

import java.util.Objects;
import java.util.function.UnaryOperator;
import phalanx.project.Project;

/**
 * A change that has been tried and helps.
 *
 * @param name what is changed
 * @param edit the change
 * @param moreEffort what the whole song costs more with it; less where negative
 * @param gone whether the finding is gone; else it is less severe
 */
public record Remedy(String name, UnaryOperator<Project> edit, double moreEffort, boolean gone) {
    public Remedy {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(edit, "edit");
    }
}

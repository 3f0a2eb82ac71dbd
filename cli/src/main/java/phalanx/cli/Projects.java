package phalanx.cli;

import java.nio.file.Path;
import java.util.function.Consumer;
import phalanx.formats.SongFiles;
import phalanx.formats.library.Library;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.project.Project;

/** A project from any file that "phalanx arrange" takes. */
final class Projects {
    private Projects() {}

    /**
     * As a project has it, or a song on the usual guitar, tablature as it is written.
     *
     * @param say takes what was mended or left out, a line each
     */
    static Project open(Path in, Consumer<String> say) throws FormatException {
        if (ProjectFile.isProject(in)) {
            ProjectFile.Opened opened = new ProjectFile().open(in);
            opened.report().forEach(say);
            return opened.project();
        }
        Reading reading = SongFiles.read(in, Choice.LIKELIEST);
        reading.report().forEach(say);
        Project project = Project.of(reading.song(), Library.FIRST.setup());
        return reading.written().map(project::withWritten).orElse(project);
    }
}

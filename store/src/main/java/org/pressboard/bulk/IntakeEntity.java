package org.pressboard.bulk;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Definitions;
import org.pressboard.intake.Dialect;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Survey;
import org.pressboard.problem.Problems;

@Entity
@DynamicUpdate
@Table(name = "intake")
class IntakeEntity {

    @Id
    private UUID id;

    private String fileName;
    private long fileSize;

    @Enumerated(EnumType.STRING)
    private Intake.Status status;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable String survey;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable String plan;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable String problems;

    private long rowsDone;
    private long rowsAside;
    private @Nullable String tableKey;
    private @Nullable String pageKey;
    private @Nullable String digest;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable String dialect;

    @Column(updatable = false)
    private Instant createdAt;

    private Instant beatAt;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected IntakeEntity() {
    }

    IntakeEntity(UUID id, String fileName) {
        this.id = id;
        this.fileName = fileName;
        this.status = Intake.Status.KEPT;
        this.createdAt = Instant.now();
        this.beatAt = createdAt;
    }

    void kept(IntakeFiles.Kept file) {
        fileSize = file.bytes();
        digest = file.digest();
    }

    void begin(Intake.Status work) {
        status = work;
        rowsDone = 0;
        rowsAside = 0;
        problems = null;
        beatAt = Instant.now();
    }

    void read(@Nullable Dialect asked) {
        begin(Intake.Status.READING);
        dialect = asked == null ? null : Definitions.write(asked);
    }

    void beat(long rows, long aside) {
        rowsDone = rows;
        rowsAside = aside;
        beatAt = Instant.now();
    }

    void surveyed(Survey found, Plan suggested) {
        survey = Definitions.write(found);
        plan = Definitions.write(suggested);
        status = Intake.Status.READY;
    }

    void plan(Plan chosen) {
        plan = Definitions.write(chosen);
    }

    void end(Intake.Status how, Problems why) {
        status = how;
        problems = Definitions.write(why);
    }

    void done(String table, String page, long rows, long aside) {
        beat(rows, aside);
        tableKey = table;
        pageKey = page;
        status = Intake.Status.DONE;
    }

    Intake.Status status() {
        return status;
    }

    Intake toIntake() {
        return new Intake(id, fileName, fileSize, status,
                survey == null ? null : Definitions.read(survey, Survey.class),
                plan == null ? null : Definitions.read(plan, Plan.class),
                problems == null ? Problems.NONE : Definitions.read(problems, Problems.class),
                rowsDone, rowsAside, tableKey, pageKey,
                dialect == null ? null : Definitions.read(dialect, Dialect.class), digest == null ? "" : digest, createdAt, beatAt);
    }
}

package org.pressboard.bulk;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What is noted of each intake. Progress is noted in transactions of their own, for others to see meanwhile. */
@Component
class IntakeRecords {

    private final EntityManager entities;

    IntakeRecords(EntityManager entities) {
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    public Optional<Intake> find(UUID id) {
        return Optional.ofNullable(entities.find(IntakeEntity.class, id)).map(IntakeEntity::toIntake);
    }

    /** The files that wait for somebody to go on with them, the newest first. */
    @Transactional(readOnly = true)
    public List<Intake> waiting() {
        return entities.createQuery("from IntakeEntity where status <> :done order by createdAt desc",
                        IntakeEntity.class)
                .setParameter("done", Intake.Status.DONE).getResultStream().map(IntakeEntity::toIntake).toList();
    }

    /** Other files with the same content, the newest first. */
    @Transactional(readOnly = true)
    public List<Intake> twins(Intake intake) {
        return entities.createQuery("from IntakeEntity where digest = :digest and id <> :id order by createdAt desc",
                        IntakeEntity.class)
                .setParameter("digest", intake.digest()).setParameter("id", intake.id())
                .getResultStream().map(IntakeEntity::toIntake).toList();
    }

    @Transactional
    public void add(UUID id, String fileName) {
        entities.persist(new IntakeEntity(id, fileName));
        entities.flush();
    }

    /**
     * Gives the work on an intake to one who asks for it; false when it is being worked on, or is done.
     *
     * @param begin notes what work it is
     */
    @Transactional
    public boolean claim(UUID id, Consumer<IntakeEntity> begin) {
        IntakeEntity intake = entities.find(IntakeEntity.class, id, LockModeType.PESSIMISTIC_WRITE);
        if (intake == null || !intake.toIntake().isFree()) {
            return false;
        }
        begin.accept(intake);
        return true;
    }

    @Transactional
    public void change(UUID id, Consumer<IntakeEntity> change) {
        change.accept(Objects.requireNonNull(entities.find(IntakeEntity.class, id), () -> "no intake " + id));
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void changeAtOnce(UUID id, Consumer<IntakeEntity> change) {
        change(id, change);
    }

    /** Notes progress; false when the work is no longer wanted. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public boolean beat(UUID id, long rows, long aside) {
        IntakeEntity intake = entities.find(IntakeEntity.class, id);
        if (intake == null || !intake.status().isUnderWay()) {
            return false;
        }
        intake.beat(rows, aside);
        return true;
    }

    /** Forgets files that nobody has gone on with since then; what was kept aside from loaded ones stays. */
    @Transactional
    public void removeAbandoned(Instant since) {
        entities.createQuery("delete from IntakeEntity where status <> :done and beatAt < :since")
                .setParameter("done", Intake.Status.DONE).setParameter("since", since).executeUpdate();
    }

    @Transactional
    public void remove(UUID id) {
        Optional.ofNullable(entities.find(IntakeEntity.class, id)).ifPresent(entities::remove);
    }
}

package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import org.pressboard.drawing.Assets;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Visits;
import org.springframework.stereotype.Component;

/** Makes what stands around each answer. */
@Component
public class SiteFrames {

    /** The name in a model of the visit that is drawn, where that is not of whoever asks. */
    public static final String DRAWN = "visit";

    private final Visits visits;
    private final DrawnOnce drawn;
    private final DiskSpace disk;
    private final Assets assets;

    SiteFrames(Visits visits, DrawnOnce drawn, Assets assets, DiskSpace disk) {
        this.visits = visits;
        this.drawn = drawn;
        this.assets = assets;
        this.disk = disk;
    }

    /** For whoever asks. */
    public SiteFrame of(HttpServletRequest request) {
        return new SiteFrame(this, () -> visits.of(request), request);
    }

    /** For whom a visit is drawn, who need not be whoever asks. */
    public SiteFrame of(HttpServletRequest request, Visit visit) {
        return new SiteFrame(this, () -> visit, request);
    }

    DrawnOnce drawn() {
        return drawn;
    }

    DiskSpace disk() {
        return disk;
    }

    Assets assets() {
        return assets;
    }
}

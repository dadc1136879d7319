package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import org.pressboard.drawing.Assets;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.visit.Visits;
import org.springframework.stereotype.Component;

/** Makes what stands around each answer. */
@Component
public class SiteFrames {

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

    public SiteFrame of(HttpServletRequest request) {
        return new SiteFrame(this, visits, request);
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

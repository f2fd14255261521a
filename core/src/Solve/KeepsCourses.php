<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;

/** A listener that keeps where a course in time is, so that it can go on from there. */
interface KeepsCourses extends ProgressListener
{
    /**
     * Is asked after every step, and decides how often it keeps one.
     *
     * @param Closure(): CourseState $state
     * @param bool $ends whether the computation ends here before its time
     */
    public function keepCourse(Closure $state, bool $ends): void;
}

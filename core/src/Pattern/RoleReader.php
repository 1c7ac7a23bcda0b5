<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;

/** Reads the part a muscle plays from what speaks for it. */
final readonly class RoleReader
{
    public function of(RankingContext $context, SignBook $book, MuscleAt $at, TriggerPoint $point): Role
    {
        $names = $book->names($at);
        $has = static fn (string $prefix): bool => str_contains($names, "|$prefix");
        $own = $has('complaint_own_zone');
        $refers = $has('complaint_core_referral') || $has('complaint_spill_over');
        $tender = $has('tenderness_2') || $has('tenderness_3') || $has('tenderness_4');
        $familiar = $has('familiar');
        $short = $book->sum($at, 'shortness', 'posture') > 0 || $has('posture_marked');
        $long = $has('posture_long') && $this->antagonistShort($context, $book, $at);

        return match (true) {
            $own && $long && ! $has('short_2') && ! $has('short_3') => Role::Overstretched,
            $has('short_antagonist') && ($tender || $short) => Role::Source,
            $refers && ($familiar || $has('referral_fits') || ($tender && $short)) => Role::Source,
            $own && ($point === TriggerPoint::Active || ($familiar && $short)) => Role::Source,
            $own && $tender && ! $short && ! $has('referral_') => Role::Site,
            ! $own && ! $refers && ($has('demand') || $has('tone_raised')) && ($tender || $has('tone_raised')) => Role::Compensating,
            default => Role::Unclear,
        };
    }

    private function antagonistShort(RankingContext $context, SignBook $book, MuscleAt $at): bool
    {
        foreach ($context->atlas->muscle($at->muscle)->antagonists as $antagonist) {
            if ($book->sum(new MuscleAt($antagonist, $at->side), 'shortness', 'posture') > 0) {
                return true;
            }
        }

        return false;
    }
}

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
        $any = static fn (string ...$asked): bool => array_intersect_key($names, array_fill_keys($asked, true)) !== [];
        $own = $any('complaint_own_zone');
        $refers = $any('complaint_core_referral', 'complaint_spill_over');
        $tender = $any('tenderness_2', 'tenderness_3', 'tenderness_4');
        $familiar = $any('familiar');
        $short = $book->sum($at, 'shortness', 'posture') > 0 || $any('posture_marked');
        $long = $any('posture_long') && $this->antagonistShort($context, $book, $at);

        return match (true) {
            $own && $long && ! $any('short_2', 'short_3') => Role::Overstretched,
            // short by its movements, and felt to be quiet: whatever pulls there, it is not this one
            $any('short_antagonist') && ($tender || ! $any('tenderness_0')) => Role::Source,
            $refers && ($familiar || $any('referral_fits') || ($tender && $short)) => Role::Source,
            $own && ($point === TriggerPoint::Active || ($familiar && $short)) => Role::Source,
            $own && $tender && ! $short && ! $any('referral_fits', 'referral_typical', 'referral_odd') => Role::Site,
            ! $own && ! $refers && $any('demand', 'demand_dominant', 'tone_raised') && ($tender || $any('tone_raised'))
                => Role::Compensating,
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

<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/** What the hand found. What was not looked for says nothing. */
final readonly class FromPalpation implements Collector
{
    private const TEXTURES = [
        'taut_band' => 'A taut band in it', 'nodule' => 'A nodule in it', 'stuck_layers' => 'Its layers stick to what lies beside it',
    ];

    public function collect(RankingContext $context, SignBook $book): void
    {
        $complaints = array_map(static fn ($complaint): string => $complaint->place()->key(), $context->complaints);
        foreach ($context->case->findings->palpation as $finding) {
            $this->finding($context, $book, $finding, $complaints);
        }
    }

    /** @param  list<string>  $complaints keys of the places complained of */
    private function finding(RankingContext $context, SignBook $book, PalpationFinding $finding, array $complaints): void
    {
        $at = $finding->at();
        $site = $finding->site ?? 'whole';
        $add = static fn (string $weight, string $text) => $book->add(
            $at, $context->sign('palpation', $weight, static fn (): string => $text, $site),
        );
        if ($finding->tenderness !== null) {
            $add('tenderness_'.$finding->tenderness, match ($finding->tenderness) {
                0 => 'Felt, and not tender',
                1 => 'Only a little tender',
                2 => 'Tender',
                3 => 'Strongly tender',
                default => 'Cannot bear touch',
            });
        }
        if (in_array($finding->tone, ['high', 'spasm'], true)) {
            $add('tone_raised', $finding->tone === 'spasm' ? 'In spasm' : 'Tone raised');
        }
        foreach (self::TEXTURES as $texture => $words) {
            if (in_array($texture, $finding->texture, true)) {
                $add($texture, $words);
            }
        }
        foreach ($finding->refersTo as $place) {
            [$weight, $text] = $this->referral($context, $finding, $place, $complaints);
            $add($weight, $text);
        }
        match ($finding->familiar) {
            Answer::Yes => $add('familiar', 'Pressing it brings on the client\'s own pain'),
            Answer::No => $add('not_familiar', 'Pressing it is not the client\'s own pain'),
            Answer::Unknown, null => null,
        };
    }

    /**
     * @param  list<string>  $complaints
     * @return array{string, string}
     */
    private function referral(RankingContext $context, PalpationFinding $finding, Place $place, array $complaints): array
    {
        $muscle = $context->atlas->muscle($finding->muscle);
        $name = $context->atlas->placeName($place);

        return match (true) {
            in_array($place->key(), $complaints, true) => ['referral_fits', "Felt where it hurts: $name"],
            in_array($place->zone, [...$muscle->coreReferral, ...$muscle->spillOver], true)
                => ['referral_typical', "Felt as is typical: $name"],
            default => ['referral_odd', "Felt somewhere unusual for it: $name"],
        };
    }
}

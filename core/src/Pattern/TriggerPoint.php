<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\PalpationFinding;

/**
 * Criteria of the 2018 international consensus (Fernández-de-las-Peñas & Dommerholt, Pain Med 19:142–150): at least two of
 * taut band, hypersensitive spot, referred sensation; active when it reproduces the client's familiar symptom.
 */
enum TriggerPoint: string
{
    case Active = 'active';
    case Latent = 'latent';
    case None = 'none';
    case Unknown = 'unknown';

    private const HYPERSENSITIVE = 2;

    /** @param  list<PalpationFinding>  $findings of one muscle on one side */
    public static function of(array $findings): self
    {
        if ($findings === []) {
            return self::Unknown;
        }
        $best = self::None;
        foreach ($findings as $finding) {
            $criteria = (int) in_array('taut_band', $finding->texture, true)
                + (int) (in_array('nodule', $finding->texture, true) || ($finding->tenderness ?? 0) >= self::HYPERSENSITIVE)
                + (int) ($finding->refersTo !== []);
            if ($criteria >= 2) {
                if ($finding->familiar === Answer::Yes) {
                    return self::Active;
                }
                $best = self::Latent;
            }
        }

        return $best;
    }
}

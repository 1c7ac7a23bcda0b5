<?php

declare(strict_types=1);

namespace Somatrace\Core\Training;

/** What a card asks. */
enum CardKind: string
{
    case Touch = 'touch';
    case Proof = 'proof';
    case Hazard = 'hazard';
    case Sends = 'sends';
}

<?php

declare(strict_types=1);

namespace App\Models;

enum VisitStatus: string
{
    case Open = 'open';
    case Stopped = 'stopped';
    case Signed = 'signed';
}

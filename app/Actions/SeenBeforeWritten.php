<?php

declare(strict_types=1);

namespace App\Actions;

use Illuminate\Validation\ValidationException;

/** A window says it has seen what nobody has written: it is read anew before it writes. */
final class SeenBeforeWritten
{
    public static function revision(int $seen, int $real): ValidationException
    {
        return ValidationException::withMessages([
            'seen' => __('Revision :seen was never written here; the record stands at :real. Read it anew, and say it again.', [
                'seen' => $seen, 'real' => $real,
            ]),
        ]);
    }
}

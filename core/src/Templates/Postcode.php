<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/**
 * A postcode as a country writes it, however it was typed: `b0x1x0` is B0X 1X0. In Canada three signs, a space and
 * three more; in Britain the last three apart; in the United States five digits, or nine with a hyphen (common
 * practice; the forms from memory). What is of no such form stays as it was typed: whether there is such a place the
 * carrier's address check says.
 */
final class Postcode
{
    private const FORMS = [
        'CA' => ['/^([A-Z]\d[A-Z])(\d[A-Z]\d)$/D', '$1 $2'],
        'GB' => ['/^([A-Z]{1,2}\d[A-Z\d]?)(\d[A-Z]{2})$/D', '$1 $2'],
        'US' => ['/^(\d{5})(\d{4})$/D', '$1-$2'],
    ];

    public static function written(string $typed, ?string $country): string
    {
        [$form, $written] = self::FORMS[$country ?? ''] ?? [null, ''];
        $signs = strtoupper((string) preg_replace('/[\s-]+/', '', $typed));

        return $form !== null && preg_match($form, $signs) === 1
            ? (string) preg_replace($form, $written, $signs)
            : $typed;
    }
}

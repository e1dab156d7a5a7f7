<?php

declare(strict_types=1);

namespace App\Papers;

use Dompdf\Dompdf;
use Dompdf\Options;

/** A paper as PDF: fonts are in it, its text can be selected, and nothing is fetched from anywhere. */
final class PdfPaper
{
    /**
     * @param  string  $html  whole
     * @param  \DateTimeImmutable  $madeAt  as it says of itself: the same paper of the same instant is the same file
     */
    public static function of(string $html, string $title, \DateTimeImmutable $madeAt): string
    {
        $paper = new Dompdf(new Options([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false,
            'isFontSubsettingEnabled' => true, 'defaultFont' => 'DejaVu Sans', 'defaultPaperSize' => 'letter',
            'chroot' => [resource_path('views/papers')], 'tempDir' => storage_path('app'),
            'fontCache' => storage_path('app'),
        ]));
        $paper->loadHtml($html, 'UTF-8');
        $paper->render();
        $date = self::date($madeAt);
        foreach (['Title' => $title, 'CreationDate' => $date, 'ModDate' => $date] as $of => $is) {
            $paper->addInfo($of, $is);
        }

        $file = (string) $paper->output();

        // Its identifier is made from the hour and the folder it is made in; of the same words it is the same.
        return (string) preg_replace(
            '/\/ID\[<[0-9a-f]{32}><[0-9a-f]{32}>\]/',
            '/ID[<' . ($id = md5($html . $date)) . "><{$id}>]",
            $file,
        );
    }

    /** ISO 32000-1, section 7.9.4. */
    private static function date(\DateTimeImmutable $at): string
    {
        return "D:{$at->setTimezone(new \DateTimeZone('UTC'))->format('YmdHis')}Z";
    }
}

<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** What somebody does, which lists of people have in the same place as where they work: no hunt group is called so. */
final class JobTitles
{
    /** Common practice: words of titles in Canadian and American lists of staff, English and French. */
    private const WORDS = '/\b(?:managers?|leads?|leaders?|directors?|assistants?|clerks?|owners?|partners?|presidents?'
        . '|vp|ceo|cfo|coo|cto|head of|supervisors?|coordinators?|accountants?|bookkeepers?|dentists?|hygienists?'
        . '|nurses?|doctors?|physicians?|therapists?|receptionists?|technicians?|engineers?|consultants?|associates?'
        . '|officers?|administrators?|secretary|foreman|chef|cook|drivers?|apprentice|intern|trainee|specialists?'
        . '|analysts?|planners?|buyers?|tellers?|lawyers?|paralegals?|notary|agents?|representatives?|rep|stylists?'
        . '|mechanics?|pharmacists?|teachers?|principal|founder|gérante?|directrice|directeur|adjointe?|commis'
        . '|réceptionniste|propriétaire|comptable|infirmi[eè]re?|hygiéniste)\b/iu';

    public static function has(string $words): bool
    {
        return preg_match(self::WORDS, $words) === 1;
    }

    /**
     * Whether the words of many lines are titles rather than teams: a team has several people, a title mostly one.
     *
     * @param  list<string>  $words  of each line that has any
     */
    public static function are(array $words): bool
    {
        $titled = array_filter($words, self::has(...));

        return count($titled) * 3 >= count($words) && $titled !== []
            || count($words) > 3 && count(array_unique(array_map(mb_strtolower(...), $words))) * 4 > count($words) * 3;
    }
}

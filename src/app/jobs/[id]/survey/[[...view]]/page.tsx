export { SurveyStation as default } from '@/ui/survey/SurveyStation';

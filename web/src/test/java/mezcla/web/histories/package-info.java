/** Random histories through the real pages, beside a second, plain computation. */
package mezcla.web.histories;
